/** Finding a kind by what people call it, also misspelled, or by what it should do. */
import Fuse from 'fuse.js';
import { allSpecies, type Species, type WithKinds } from '../../../core/species';
import { FAMILY_WORDS } from '../../../core/species/fields';
import { guideOf } from '../../../core/species/guide';
import { answers, askedOf, type Asked } from '../../../core/species/search';
import { showQuantity, type UnitPreferences } from '../../../core/units';

/** One kind with all the words it is found by. */
interface Card {
  species: Species;
  common: string;
  names: readonly string[];
  scientific: string;
  family: string;
}

export interface Found {
  species: Species;
  /** The name that was found, where it is another than the one shown. */
  as: string | null;
}

export interface Finds {
  found: Found[];
  /** Nothing bears the name: these are the nearest. */
  near: boolean;
  /** Nothing fits the glass that was asked for, L, and what else was asked wants this at least. */
  tooSmall: { glassL: number; wantsL: number } | null;
  /** So many bear the name, and none is or does what was asked besides. */
  notSo: number;
}

/** What is said where nothing was found. */
export function noneWords({ tooSmall, notSo }: Pick<Finds, 'tooSmall' | 'notSo'>, units: UnitPreferences) {
  if (notSo > 0)
    return {
      title: 'None of them is so',
      text: `${notSo} of that name ${notSo === 1 ? 'is' : 'are'} known here.`,
    };
  if (!tooSmall)
    return { title: 'None by that name', text: 'Try another name in use, or part of the scientific one.' };
  const litres = (volume: number) => showQuantity('volume', volume, units, 0);
  return {
    title: `Nothing for ${litres(tooSmall.glassL)}`,
    text: `Of what was asked the least wants a glass of ${litres(tooSmall.wantsL)}.`,
  };
}

const cardsOf = (kinds: WithKinds): Card[] =>
  allSpecies(kinds).map((species) => ({
    species,
    common: species.common,
    names: guideOf(species)?.names ?? [],
    scientific: species.scientific,
    family: `${species.family} ${FAMILY_WORDS[species.family] ?? ''}`,
  }));

interface Finder {
  kinds: WithKinds['species'];
  cards: Card[];
  fuse: Fuse<Card>;
}

/** How unlike a name may be and still be meant: a letter or two in a word. */
const UNLIKE = 0.34;

let finder: Finder | null = null;
/** Made when something is first looked for, and anew when the person's own kinds change. */
function finderFor(kinds: WithKinds): Finder {
  if (finder?.kinds === kinds.species) return finder;
  const cards = cardsOf(kinds);
  const fuse = new Fuse(cards, {
    keys: ['common', 'names', 'scientific', 'family'],
    threshold: UNLIKE,
    ignoreLocation: true,
    ignoreDiacritics: true,
    minMatchCharLength: 3,
    includeScore: true,
  });
  finder = { kinds: kinds.species, cards, fuse };
  return finder;
}

const plain = (text: string): string => text.toLowerCase().replace(/[’'-]/g, ' ');

/** A word as one of many is called: gobies, gobys, goby. */
const single = (word: string): string =>
  word.length < 4 ? word : word.replace(/(?:ie|y)s$/, 'y').replace(/([^s])s$/, '$1');
const wordsOf = (text: string): string[] =>
  plain(text)
    .split(/[\s,]+/)
    .filter((w) => w !== '')
    .map(single);
const joined = (text: string): string => plain(text).replace(/\s/g, '');

/** Written in one or in two, two words of it count as one from this many letters on: star fish, clown fish. */
const JOINED = 6;

const APART = 5;

/** How a card bears a name: 0 as a whole name, 1 as the beginning of its first, 2 in a name it begins a word of, 3 within a name, 4 in Latin or
 *  its family, or its words APART; null not. */
function bearing(card: Card, name: string): number | null {
  const names = [card.common, ...card.names].map(plain);
  if (names.includes(name)) return 0;
  if (plain(card.common).startsWith(name)) return 1;
  if (names.some((text) => ` ${text}`.includes(` ${name}`))) return 2;
  const whole = joined(name);
  const holds = (text: string) =>
    text.includes(name) || (whole.length >= JOINED && joined(text).includes(whole));
  if (names.some(holds)) return 3;
  if ([card.scientific, card.family].map(plain).some(holds)) return 4;
  const words = [...names, card.scientific, card.family].flatMap(wordsOf);
  const all = wordsOf(name).every((asked) => words.some((word) => word.startsWith(asked)));
  return all ? APART : null;
}

/** Kinds of that name or of what was asked, the plainest first; the nearest spellings where there is none. All of them for nothing
 *  asked. */
export function findKinds(kinds: WithKinds, query: string): Finds {
  const asked = askedOf(query);
  const found = named(kinds, asked);
  if (found.length > 0) return { found, near: false, tooSmall: null, notSo: 0 };
  const { litres } = asked;
  // A tang for 60 L is not misspelled: there is none.
  const elsewhere = litres === null ? [] : named(kinds, { ...asked, litres: null });
  if (litres !== null && elsewhere.length > 0) {
    const wantsL = Math.min(...elsewhere.map(({ species }) => species.minTankL));
    return { found: [], near: false, tooSmall: { glassL: litres, wantsL }, notSo: 0 };
  }
  // Nor is a puffer that leaves corals alone.
  const notSo = asked.name === '' ? 0 : named(kinds, { ...asked, litres: null, wants: [] }).length;
  if (notSo > 0) return { found: [], near: false, tooSmall: null, notSo };
  const near = finderFor(kinds)
    .fuse.search(asked.name)
    .flatMap(({ item }): Found[] =>
      answers(asked, item.species) ? [{ species: item.species, as: null }] : [],
    );
  return { found: near.slice(0, NEAREST), near: near.length > 0, tooSmall: null, notSo: 0 };
}

/** Those that bear the name and answer what else was asked; its words apart only where nobody bears them together. */
function named(kinds: WithKinds, asked: Asked): Found[] {
  const name = plain(asked.name).trim();
  const bearers = finderFor(kinds).cards.flatMap((card) => {
    const rank = name === '' ? 0 : bearing(card, name);
    return rank === null ? [] : [{ card, rank }];
  });
  const together = bearers.filter(({ rank }) => rank < APART);
  return (together.length > 0 ? together : bearers)
    .filter(({ card }) => answers(asked, card.species))
    .sort((a, b) => a.rank - b.rank || a.card.common.localeCompare(b.card.common))
    .map(({ card }) => ({ species: card.species, as: shownAs(card, name) }));
}

/** The name it was found by, where the one shown does not tell it; null where it does. */
function shownAs(card: Card, name: string): string | null {
  const holds = (text: string) => plain(text).includes(name) || joined(text).includes(joined(name));
  if (name === '' || [card.common, card.scientific].some(holds)) return null;
  return card.names.find(holds) ?? (holds(card.family) ? card.species.family : null);
}

/** As many near spellings as are worth a look. */
const NEAREST = 8;
