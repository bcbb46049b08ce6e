import { useRouter, type Href } from 'expo-router';
import { createElement, useEffect, useRef, useState } from 'react';
import { localDay, replaceDocument, selectDocument, useAppDispatch, useAppSelector } from '../../store';
import { keepPicture } from '../../store/photos';
import { Button, Go, Row, Screen, Section, Txt } from '../../ui';
import type { Pictures } from '../../../formats/archive';
import { readFile, scalePhoto, unpack } from '../../workers';
import { download } from '../shell/download';
import { SaveButton, useSaving } from '../shell/saving';
import { Exports } from './Exports';
import { previewImport, type Preview } from './importText';
import { MergeOffer } from './MergeOffer';
import { TableImport } from './TableImport';

const dataUrl = (blob: Blob): Promise<string> =>
  new Promise((done) => {
    const reader = new FileReader();
    reader.onload = () => done(String(reader.result));
    reader.readAsDataURL(blob);
  });

/** Pictures of an archive into this browser, each with its small one. One that is none is left out. */
async function keepPictures(pictures: Pictures): Promise<void> {
  for (const [id, bytes] of pictures) {
    const blob = new Blob([bytes as Uint8Array<ArrayBuffer>], { type: 'image/jpeg' });
    const scaled = await scalePhoto(blob);
    // As it came: written anew each time it would get worse.
    if (scaled) await keepPicture(id, await dataUrl(blob), scaled.small);
  }
}

const isTable = (name: string): boolean => /\.(csv|tsv|txt|tab)$/i.test(name);

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
  const [table, setTable] = useState<File | null>(null);
  const [noRoom, setNoRoom] = useState(false);
  const [keeping, setKeeping] = useState(false);
  /** Of the archive chosen, if it was one. */
  const pictures = useRef<Pictures>(new Map());
  // Before the document that names them: what is called imported is there, pictures too.
  const picturesKept = async (): Promise<boolean> => {
    setKeeping(pictures.current.size > 0);
    try {
      await keepPictures(pictures.current);
      return true;
    } catch {
      setNoRoom(true);
      return false;
    } finally {
      setKeeping(false);
    }
  };
  const taken = () => {
    setPreview(null);
    // What comes next is drawn in a task of its own.
    setTimeout(() => router.push('/waters'), 0);
  };
  // The file is compared with what is here when it has been read.
  const present = useRef(doc);
  useEffect(() => {
    present.current = doc;
  });
  const day = localDay(Date.now());
  const empty = Object.keys(doc.waters).length === 0;

  const choose = async (file: File | undefined, from: Pictures = new Map()) => {
    if (!file) return;
    reading?.stop();
    pictures.current = from;
    setNoRoom(false);
    setPreview(null);
    setTable(null);
    if (/\.zip$/i.test(file.name)) {
      const found = await unpack(file);
      if (found.kind === 'shut')
        setPreview({
          name: file.name,
          result: { ok: false, title: 'The archive cannot be read', lines: [found.why] },
        });
      else
        await choose(new File([found.text], file.name.replace(/\.zip$/i, '.json')), new Map(found.pictures));
      return;
    }
    if (isTable(file.name)) {
      setTable(file);
      return;
    }
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

  return (
    <Screen title="Files">
      <Txt kind="title" heading={1}>
        Files
      </Txt>
      <Txt tone="second">What you enter lives in this browser. A file is the copy that outlives it.</Txt>
      <Exports doc={doc} />
      {empty ? null : (
        <Section title="For someone who helps">
          {Object.values(doc.waters).map((w) => (
            <Go key={w.id} href={`/water/${w.id}/report` as Href}>{`Report of ${w.name}`}</Go>
          ))}
        </Section>
      )}
      <Section title="Import">
        <Txt>
          A file is taken together with what is here, or replaces it, all or nothing, after you have seen what
          it will do. A table of readings (CSV) is added to the log, column by column as you say. Both can be
          undone.
        </Txt>
        <Button label="Choose a file" onPress={() => input.current?.click()} />
        {createElement('input', {
          ref: input,
          type: 'file',
          accept: '.json,.zip,.csv,.tsv,.txt,application/json,text/csv',
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
        {table ? (
          <TableImport
            key={`${table.name} ${table.size} ${table.lastModified}`}
            file={table}
            name={table.name.slice(0, 80)}
            doc={doc}
            onDone={(imported) => {
              setTable(null);
              if (imported) router.push('/waters');
            }}
          />
        ) : null}
        {keeping ? <Txt live>Keeping its photos; nothing is imported yet.</Txt> : null}
        {noRoom ? (
          <Txt tone="ammonia" live>
            This browser has no room for the photos in it, so nothing was imported. Free some space and try
            again.
          </Txt>
        ) : null}
        {preview ? (
          <Section title={preview.result.ok ? 'What it will do' : preview.result.title}>
            <Txt kind="small" tone="second">
              {preview.name.slice(0, 80)}
            </Txt>
            {preview.result.ok && !empty && !saving.busy ? (
              <MergeOffer
                present={doc}
                document={preview.result.document}
                revisions={preview.result.revisions}
                before={picturesKept}
                onDone={taken}
              />
            ) : null}
            {preview.result.ok && !empty ? (
              <Txt kind="strong">The file in the place of everything</Txt>
            ) : null}
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
                  kind={empty ? 'primary' : 'outline'}
                  label={empty ? 'Import it' : 'Replace everything'}
                  onPress={() => {
                    if (!preview.result.ok) return;
                    const { document, revisions } = preview.result;
                    void picturesKept().then((kept) =>
                      kept
                        ? saving.run(
                            () => dispatch(replaceDocument(document, 'File imported', revisions)),
                            taken,
                          )
                        : undefined,
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
