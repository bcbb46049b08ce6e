import type { Href } from 'expo-router';
import type { Statement } from '../../../core/statements';
import { sentence } from '../../../core/words';
import { Go, Txt } from '../../ui';
import { useWords } from './water';

/** What of the water keeps everything else waiting, and the way to what is to be done. */
export function WaterFirst({ waterId, held }: { waterId: string; held: Statement }) {
  const words = useWords();
  return (
    <>
      <Txt tone="ammonia">{sentence(held, words)}</Txt>
      <Go href={`/water/${waterId}` as Href}>Today says what to do</Go>
    </>
  );
}
