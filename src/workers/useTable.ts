/** The page's end of the worker that reads tables: what it holds as it is to be read now; another way of reading ends the one before. */
import { useEffect, useState } from 'react';
import type { Told as TableSaid } from '../../core/csv';
import type { Document } from '../../core/document';
import type { TableAsk, TableTold } from './messages';

/** @returns null until it is read */
export function useTable(file: Blob, doc: Document, told: TableSaid, zone: string): TableTold | null {
  const [heard, setHeard] = useState<TableTold | null>(null);
  useEffect(() => {
    const worker = new Worker(new URL('./table.worker.ts', window.location.href));
    worker.onmessage = ({ data }: MessageEvent<TableTold>) => setHeard(data);
    worker.onerror = () => setHeard({ kind: 'none', message: 'the file cannot be read as a table' });
    worker.postMessage({ file, doc, told, zone } satisfies TableAsk);
    return () => worker.terminate();
  }, [file, doc, told, zone]);
  return heard;
}
