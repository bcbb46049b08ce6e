import { useState } from 'react';
import type { Document } from '../../../core/document';
import { localDay, useAppDispatch } from '../../store';
import { revisionLookup } from '../../store/revisions';
import { Button, Row, Section, Txt } from '../../ui';
import { download } from '../shell/download';
import { archiveFile, documentFile, fileOf } from './exporting';

/** Everything as a file, with photos as a zip, and the readings as a table. */
export function Exports({ doc }: { doc: Document }) {
  const dispatch = useAppDispatch();
  const [state, setState] = useState<'ready' | 'writing' | 'failed'>('ready');
  const empty = Object.keys(doc.waters).length === 0;
  const day = localDay(Date.now());
  const write = (name: string, type: string, make: () => Promise<Blob>) => async () => {
    setState('writing');
    try {
      download(`zoarium-${name}`, type, await make());
      setState('ready');
    } catch {
      setState('failed');
    }
  };
  const off = empty || state === 'writing';
  return (
    <Section title="Export">
      <Row wrap>
        <Button
          kind="primary"
          icon="exported"
          label="Export everything"
          disabled={off}
          onPress={write(`${day}.json`, 'application/json', () =>
            documentFile(doc, dispatch(revisionLookup())),
          )}
        />
        <Button
          icon="exported"
          label="The same as a zip, with tables and photos"
          disabled={off}
          onPress={write(`${day}.zip`, 'application/zip', () => archiveFile(doc, dispatch(revisionLookup())))}
        />
        <Button
          icon="exported"
          label="Readings as CSV"
          disabled={off}
          onPress={write(`readings-${day}.csv`, 'text/csv', async () => {
            const { writingReadings } = await import('../../../formats/csv');
            return fileOf(writingReadings(doc), 'text/csv');
          })}
        />
      </Row>
      {empty ? (
        <Txt kind="small" tone="second">
          Nothing to export yet.
        </Txt>
      ) : null}
      {state === 'writing' ? <Txt live>Writing the file.</Txt> : null}
      {state === 'failed' ? (
        <Txt tone="ammonia" live>
          The file could not be written: the browser has too little memory. Close other pages and try again;
          nothing was changed.
        </Txt>
      ) : null}
    </Section>
  );
}
