/** What a test would teach, in words; apart from the forecast's other words, because the first screen says it without the forecast's code. */
import type { NextTest, WidthThen } from '../forecast';

/** "3 weeks", "9 days", "half a day": a width as one says it. */
export function spanWords(days: number): string {
  if (days >= 20) return `${Math.round(days / 7)} weeks`;
  if (days < 0.8) return 'half a day';
  const n = Math.round(days);
  return n === 1 ? '1 day' : `${n} days`;
}

/** What it is that a width is told of. */
export const bandWords = (of: WidthThen['of']): string =>
  of === 'half' ? 'the middle half of the proof’s dates' : 'the proof’s date';

/** Why a sitting is proposed: "would narrow the date from 3 weeks to 9 days". With animals in no proof is dosed, nor spoken of. */
export function teachesWords(n: NextTest, animalsIn: boolean): string {
  if (animalsIn)
    return n.why === 'safe'
      ? 'This is as long as one should go without.'
      : 'Of all tests it tells most of how the bacteria grow.';
  if (n.why === 'safe') return 'No test narrows the date much; this is as long as one should go without.';
  const [now, then] = [spanWords(n.widthNow), spanWords(n.widthThen)];
  const what = bandWords(n.of);
  return now === then
    ? `It would narrow ${what} by about ${spanWords(n.widthNow - n.widthThen)}.`
    : `It would narrow ${what} from ${now} to ${then}.`;
}
