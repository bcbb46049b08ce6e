import { PARAMETERS, type Document } from '../document';
import { ammoniaRiseMs } from './falls';
import { layingAhead } from './layout';
import { pairsIn } from './pairs';
import { trusted } from './points';

/** Lays out each water before it is first asked for, in small steps, and what is looked for in the whole of it: of a long history that is most of the
 *  work, and it is remembered. */
export function* readingAhead(doc: Pick<Document, 'samples' | 'kits' | 'calibrations'>): Generator<void> {
  for (const series of yield* layingAhead(doc)) {
    for (const parameter of PARAMETERS) {
      trusted(series[parameter]);
      yield;
    }
    pairsIn(series);
    yield;
    ammoniaRiseMs(series);
    yield;
  }
}
