/** The note for whoever looks after a tank, in words a neighbour reads once and follows. */
import type { BeforeLeaving, CarerNote } from '../absence';
import type { WithKinds } from '../species';
import { animalWords } from './animals';
import { heat, plural, type WordsContext } from './say';

export interface NotePart {
  title: string;
  lines: string[];
}

const grams = (g: number): string => (g < 1 ? g.toFixed(1) : g.toFixed(0));

export function carerWords(n: CarerNote, kinds: WithKinds, w: WordsContext): NotePart[] {
  const { carer } = n.away;
  const [low, high] = n.tempC;
  const fish = n.foodG !== null;
  return [
    {
      title: 'Every day, two minutes',
      lines: [
        `Look: is the light on by day, does water run from the pump, is the floor dry? The thermometer should show between ${heat(low, w)} and ${heat(high, w)}.`,
        n.hasTopOff
          ? 'The top-off fills up by itself: look whether its container still holds water, and fill it from the canister marked for it. Nothing else goes in.'
          : 'Water dries away: fill up to the line with water from the canister marked for it, and nothing else.',
        ...(n.jumpers ? ['Keep the lid closed: some of them jump.'] : []),
      ],
    },
    {
      title: 'Feeding',
      lines: carer?.feed.trim()
        ? carer.feed.trim().split('\n')
        : fish
          ? [
              `About ${grams(n.foodG ?? 0)} g of dry food a day for all together, better less than more: what is in one of the small bags for that day. A day without food harms nobody, too much food can kill.`,
            ]
          : n.animals.length === 0
            ? ['Nothing is fed: nobody lives in it yet.']
            : [
                `No daily food: without fish they find their own.${n.days > 7 ? ' From the second week on a small pinch twice a week, gone by the next day.' : ''}`,
              ],
    },
    {
      title: 'Who lives in it',
      lines:
        n.animals.length === 0
          ? ['Nobody yet: it only has to run.']
          : [
              `${n.animals.map((a) => animalWords(kinds, a)).join(', ')}.`,
              'Hiding by day, sleeping on the sand and empty shells are usual. Somebody not seen for two days, or lying with a fast breath, is a reason to call.',
            ],
    },
    ...(n.quarantines.length > 0
      ? [
          {
            title: 'The other tank',
            lines: n.quarantines.map((q) =>
              q.bare
                ? `${q.name}: it cannot be left for long without a change of water. Only as it was agreed and shown.`
                : `${q.name}: look and feed as the large one. Nets, hands and water never from one to the other.`,
            ),
          },
        ]
      : []),
    ...(n.tasks.length > 0
      ? [{ title: 'On its day', lines: n.tasks.map((t) => `${w.written(t.day)}: ${t.title}`) }]
      : []),
    {
      title: 'Call when',
      lines: [
        `${carer?.call.trim() ? `Call ${carer.call.trim()}. ` : ''}Water on the floor: first the plug of whatever it comes from, with dry hands, then call.`,
        'The pump stands still, the light does not come on, it smells bad, the water is cloudy, a fish is dead or breathes fast: call, and feed nothing until then.',
        `The thermometer shows less than ${heat(low, w)} or more than ${heat(high, w)}: call.`,
      ],
    },
    {
      title: 'Never',
      lines: [
        'No second helping of food, no tap water, no salt, no medicine, no cleaner or spray in the room.',
        'No hands in the water, nothing moved, nothing switched off but what leaks. Some animals sting, some corals are poisonous.',
        'Nothing new into the tank, whoever brings it.',
      ],
    },
  ];
}

export const noteTitle = (n: CarerNote, w: WordsContext): string =>
  `${n.water.name}, ${w.written(n.fromDay)} to ${w.written(n.untilDay)}`;
export const noteLead = (n: CarerNote): string =>
  `${n.away.carer?.name.trim() ? `For ${n.away.carer.name.trim()}. ` : ''}Thank you for looking after it: ${n.days} ${plural(n.days, 'day', 'days')}, a few minutes each.`;

export const BEFORE_WORDS: Record<BeforeLeaving, string> = {
  noNewcomers: 'From now nothing new comes in: what goes wrong goes wrong in the first week.',
  testAll: 'Test everything, and leave time to put right what is off.',
  service: 'Clean the skimmer cup and the socks, look at every pump and the heater.',
  change: 'A usual water change, nothing larger; a few small bags of food, one for each day.',
  fill: 'Fill the top-off and a canister beside it, feed, look at everyone once more, leave the note on the glass.',
};
