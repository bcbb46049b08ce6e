/** What a person asks for when looking for an animal: words in use, or what it should do and where it should fit. */
import { fromUnit } from '../units';
import type { Species } from './schema';

/** A question taken apart. */
export interface Asked {
  /** What is left to be looked for as a name. */
  name: string;
  /** The glass it should fit, L. */
  litres: number | null;
  wants: Want[];
  /** The word said of the whole of them: fish, corals. */
  group: Species['group'] | null;
}

/** A group by its own word alone: within a name it is part of that. */
const GROUPS: readonly (readonly [RegExp, Species['group']])[] = [
  [/^fish(?:es)?$/, 'fish'],
  [/^corals?$/, 'coral'],
  [/^invert(?:ebrate)?s?$/, 'invertebrate'],
];

export type Want = keyof typeof WANTS;

const is = (s: Species, kind: Species['is'][number]): boolean => s.is.includes(kind);

const DOES_NOT_EAT = "(?:(?:does|do|will) not|(?:does|do|wo)n['’]t)\\s+eat\\s+(?:my\\s+|the\\s+)?";
const CREW = '(?:shrimps?|snails?|crabs?|hermits?|crew|inverts?|invertebrates?)';

/** Things people ask an animal to do or to be, each with the words they ask in. */
const WANTS = {
  eatsAlgae: {
    asked:
      /\b(?:eat(?:s|er|ing)?|graz(?:e|es|er|ing)|against|for)\s+(?:\w+\s+)?(?:algae?|film|diatoms?)\b|\balgae?[ -]eat(?:er|ing)s?\b/,
    holds: (s: Species) => s.diet.includes('algae') && s.group !== 'coral',
  },
  cleansSand: {
    asked:
      /\b(?:clean|sift|turn|stir)(?:s|er|ers|ing)?\s+(?:the\s+)?sand\b|\bsand[ -](?:sift|clean)(?:er|ers|ing)\b/,
    holds: (s: Species) => s.work === 'sifts' || s.rivalKey === 'sand sifter',
  },
  eatsPests: {
    asked: /\beats?\s+(?:aiptasia|flatworms?|pests?)\b/,
    holds: (s: Species) =>
      s.eats.includes('worms') || s.id === 'peppermint-shrimp' || s.id === 'bristletail-filefish',
  },
  eatsPods: {
    asked:
      /\b(?:eat(?:s|er|ing)?|needs?|wants?|hunts?)\s+(?:live\s+)?(?:cope|amphi)?pods?\b|\bpod[ -]eat(?:er|ing)s?\b/,
    holds: (s: Species) => s.diet.includes('pods') || s.sensitivities.includes('needs pods'),
  },
  needsSand: {
    asked: /\b(?:needs?|wants?|buries|sleeps? in|digs?)\s+(?:in\s+)?(?:an?\s+|the\s+)?sand(?:\s?bed)?\b/,
    holds: (s: Species) => s.sensitivities.includes('needs sand'),
  },
  needsCaves: {
    asked: /\b(?:needs?|wants?)\s+(?:an?\s+)?(?:caves?|hiding places?|holes?)\b/,
    holds: (s: Species) => s.sensitivities.includes('needs caves'),
  },
  safeWithCorals: {
    asked: /\b(?:reef|coral)[ -]?safe\b|\bsafe with corals?\b/,
    holds: (s: Species) => s.reefSafe === 'yes',
  },
  sparesCorals: {
    asked: new RegExp(`\\b${DOES_NOT_EAT}corals?\\b`),
    holds: (s: Species) => !s.eats.some((prey) => /corals$|^zoanthids$/i.test(prey)),
  },
  sparesCrew: {
    asked: new RegExp(
      `\\b${DOES_NOT_EAT}${CREW}\\b|\\b(?:shrimp|snail|crab|invert)[ -]safe\\b|\\bsafe with ${CREW}\\b`,
    ),
    holds: (s: Species) => !s.eats.some((prey) => prey === 'shrimp' || prey === 'snails' || prey === 'crabs'),
  },
  gentle: {
    asked: /\b(?:peaceful|gentle|calm|placid|community)\b/,
    holds: (s: Species) => s.temperament === 'gentle',
  },
  harmsHands: {
    asked: /\b(?:venom(?:ous)?|poison(?:ous)?|toxic|toxins?)\b/,
    holds: (s: Species) => s.danger !== 'none' && s.danger !== 'spines',
  },
  easy: { asked: /\b(?:easy|hardy|beginners?|first fish)\b/, holds: (s: Species) => s.hardiness === 'hardy' },
  staysIn: {
    asked: /\b(?:(?:no|without a) lid|open top|does not jump|do not jump|do(?:es)?n['’]t jump)\b/,
    holds: (s: Species) => !s.jumps,
  },
  jumps: {
    asked: /\b(?<!\bnot |n['’]t )(?:jumps?|jumpers?|jumping|(?:needs?|wants?) a lid)\b/,
    holds: (s: Species) => s.jumps,
  },
  bred: { asked: /\b(?:captive|tank)[ -]bred\b/, holds: (s: Species) => s.bred !== 'wild' },
  crew: { asked: /\b(?:cuc|clean(?:ing)?[ -]?up crew|cleanup crew)\b/, holds: (s: Species) => s.crew },
  soft: {
    asked: /\b(?:softies|soft corals?)\b/,
    holds: (s: Species) => is(s, 'soft') || is(s, 'zoanthid') || is(s, 'mushroom'),
  },
  largePolyps: {
    asked: /\blps\b|\blarge[ -]polyp(?:s|ed)?(?: corals?)?\b/,
    holds: (s: Species) => is(s, 'fleshy'),
  },
  smallPolyps: {
    asked: /\bsps\b|\bsmall[ -]polyp(?:s|ed)?(?: corals?)?\b/,
    holds: (s: Species) => is(s, 'smallPolyp'),
  },
  lowLight: {
    asked: /\b(?:low|little|dim) light\b|\bshade\b/,
    holds: (s: Species) => s.coral !== undefined && s.coral.light[0] <= LOW_PAR && !is(s, 'clam'),
  },
} as const;

/** Lowest PAR of a coral that stands in little light. */
const LOW_PAR = 60;

/** Words that ask for nothing by themselves. */
const FILLERS = /[,;]|\b(?:an?|the|that|which|who|and|with|some|any|my|tank|it|is|are|for|in)\b/g;

/** How a glass is spoken of before its volume. */
const UP_TO = '(?:for|in|fits?|under|below|up to|at most|less than|no more than|max(?:imum)?\\.?)';
const LITRES = '(\\d+(?:[.,]\\d+)?)[ -]?(l|lit(?:er|re)s?|g|gal(?:lons?)?)(?![\\w])';
const VOLUME = new RegExp(`\\b(?:${UP_TO}\\s+)?(?:an?\\s+)?${LITRES}`);

/** What people call a small tank: up to this much, L (trade practice, about 20 US gallons). */
const NANO = { said: /\b(?:nano|small tanks?)\b/, litres: 75 };

/** "eats algae for 60 L" -> algae eaters that fit 60 L. Volumes without a unit are none: they may belong to a name. */
export function askedOf(query: string): Asked {
  let rest = query.toLowerCase();
  const volume = VOLUME.exec(rest);
  const nano = volume === null && NANO.said.test(rest);
  rest = rest.replace(volume?.[0] ?? (nano ? NANO.said : ''), ' ');
  const wants = (Object.keys(WANTS) as Want[]).filter((want) => WANTS[want].asked.test(rest));
  for (const want of wants) rest = rest.replace(WANTS[want].asked, ' ');
  // Within a name alone they may belong to it.
  if (volume || nano || wants.length > 0) rest = rest.replace(FILLERS, ' ');
  const name = rest.replace(/\s+/g, ' ').trim();
  const group = GROUPS.find(([word]) => word.test(name))?.[1] ?? null;
  const number = Number((volume?.[1] ?? '').replace(',', '.'));
  const asked = volume && number > 0 ? fromUnit(volume[2]?.startsWith('g') ? 'gal' : 'L', number) : null;
  return {
    name: group === null ? name : '',
    litres: nano ? NANO.litres : asked,
    wants,
    group,
  };
}

/** Whether a kind does and fits what was asked, its name aside. */
export const answers = ({ litres, wants, group }: Omit<Asked, 'name'>, s: Species): boolean =>
  (group === null || s.group === group) &&
  (litres === null || s.minTankL <= litres) &&
  wants.every((want) => WANTS[want].holds(s));
