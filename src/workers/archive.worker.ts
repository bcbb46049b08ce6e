/** Packs and opens archives off the main thread. */
import { ArchiveError, archiveIn, Packing } from '../../formats/archive';
import type { ArchiveAsk, ArchiveTold } from './messages';

const tell = (told: ArchiveTold): void => self.postMessage(told);
const packing = new Packing();

self.onmessage = async ({ data }: MessageEvent<ArchiveAsk>) => {
  if (data.kind === 'begin') packing.begin(data.name, data.packed);
  else if (data.kind === 'add') packing.add(data.part);
  else if (data.kind === 'end') packing.end();
  else if (data.kind === 'done')
    tell({ kind: 'packed', archive: new Blob(packing.done(), { type: 'application/zip' }) });
  else
    try {
      const { text, pictures } = archiveIn(new Uint8Array(await data.file.arrayBuffer()));
      tell({ kind: 'opened', text: new Blob([text]), pictures: [...pictures] });
    } catch (error) {
      tell({
        kind: 'shut',
        why: error instanceof ArchiveError ? `${error.message}.` : 'The browser could not open it.',
      });
    }
};
