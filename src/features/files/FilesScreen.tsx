import { useRouter } from 'expo-router';
import { createElement, useEffect, useRef, useState } from 'react';
import { writeDocument } from '../../../core/document/checks';
import { localDay, replaceDocument, selectDocument, useAppDispatch, useAppSelector } from '../../store';
import { Button, Row, Screen, Section, Txt } from '../../ui';
import { readFile } from '../../workers';
import { SaveButton, useSaving } from '../shell/saving';
import { previewImport, type Preview } from './importText';

function download(name: string, type: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type }));
  const a = document.createElement('a');
  a.href = url;
  a.download = name;
  a.click();
  URL.revokeObjectURL(url);
}

/** Export of everything, readings as CSV, and an import that shows what it will do before it does it. */
export function FilesScreen() {
  const doc = useAppSelector(selectDocument);
  const aside = useAppSelector((s) => s.document.aside);
  const dispatch = useAppDispatch();
  const router = useRouter();
  const saving = useSaving();
  const input = useRef<HTMLInputElement | null>(null);
  const [preview, setPreview] = useState<{ name: string; result: Preview } | null>(null);
  const [reading, setReading] = useState<{ name: string; stop: () => void } | null>(null);
  const [done, setDone] = useState(0);
  // The file is compared with what is here when it has been read.
  const present = useRef(doc);
  useEffect(() => {
    present.current = doc;
  });
  const day = localDay(Date.now());
  const empty = Object.keys(doc.waters).length === 0;

  const choose = async (file: File | undefined) => {
    if (!file) return;
    reading?.stop();
    setPreview(null);
    setDone(0);
    const { ended, stop } = readFile(file, setDone);
    setReading({
      name: file.name,
      stop: () => {
        stop();
        setReading(null);
      },
    });
    const read = await ended;
    setReading(null);
    setPreview({ name: file.name, result: previewImport(read, present.current) });
  };
  const exportCsv = async () => {
    const { readingsCsv } = await import('./csv');
    download(`zoarium-readings-${day}.csv`, 'text/csv', readingsCsv(doc));
  };

  return (
    <Screen title="Files">
      <Txt kind="title" heading={1}>
        Files
      </Txt>
      <Txt tone="second">What you enter lives in this browser. A file is the copy that outlives it.</Txt>
      <Section title="Export">
        <Row wrap>
          <Button
            kind="primary"
            icon="exported"
            label="Export everything"
            disabled={empty}
            onPress={() => download(`zoarium-${day}.json`, 'application/json', writeDocument(doc))}
          />
          <Button icon="exported" label="Readings as CSV" disabled={empty} onPress={() => void exportCsv()} />
        </Row>
        {empty ? (
          <Txt kind="small" tone="second">
            Nothing to export yet.
          </Txt>
        ) : null}
      </Section>
      <Section title="Import">
        <Txt>
          A file replaces what is here, all or nothing, after you have seen what it will do. It can be undone.
        </Txt>
        <Button label="Choose a file" onPress={() => input.current?.click()} />
        {createElement('input', {
          ref: input,
          type: 'file',
          accept: '.json,application/json',
          'aria-label': 'File to import',
          style: { display: 'none' },
          onChange: (event: { target: HTMLInputElement }) => {
            void choose(event.target.files?.[0]);
            event.target.value = '';
          },
        })}
        {reading ? (
          <Row wrap>
            <Txt live>{`Reading ${reading.name.slice(0, 80)}: ${Math.round(100 * done)} %`}</Txt>
            <Button kind="quiet" label="Stop reading" onPress={reading.stop} />
          </Row>
        ) : null}
        {preview ? (
          <Section title={preview.result.ok ? 'What it will do' : preview.result.title}>
            <Txt kind="small" tone="second">
              {preview.name.slice(0, 80)}
            </Txt>
            {preview.result.lines.map((l) => (
              <Txt key={l} tone={preview.result.ok ? 'ink' : 'ammonia'}>
                {l}
              </Txt>
            ))}
            {!preview.result.ok ? <Txt>Nothing was changed.</Txt> : null}
            <Row wrap>
              {preview.result.ok ? (
                <SaveButton
                  saving={saving}
                  kind="primary"
                  label="Import it"
                  onPress={() => {
                    if (!preview.result.ok) return;
                    const { document } = preview.result;
                    void saving.run(
                      () => dispatch(replaceDocument(document, 'File imported')),
                      () => {
                        setPreview(null);
                        router.push('/waters');
                      },
                    );
                  }}
                />
              ) : null}
              <Button kind="quiet" label="Leave everything as it is" onPress={() => setPreview(null)} />
            </Row>
          </Section>
        ) : null}
      </Section>
      {aside.length > 0 ? (
        <Section title={`${aside.length} stored ${aside.length === 1 ? 'entry' : 'entries'} set aside`}>
          <Txt>They could not be read and are kept word for word; everything else opened.</Txt>
          {aside.slice(0, 20).map((a) => (
            <Txt key={a.key} kind="small" tone="second">{`${a.key.replace(/^aside\//, '')}: ${a.why}`}</Txt>
          ))}
          <Button
            icon="exported"
            label="Save them as a file"
            onPress={() =>
              download(`zoarium-set-aside-${day}.json`, 'application/json', JSON.stringify(aside, null, 1))
            }
          />
        </Section>
      ) : null}
    </Screen>
  );
}
