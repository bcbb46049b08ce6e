/** Finding a kind by what people call it, also misspelled, or by what it should do. */
import Fuse from 'fuse.js';
import { allSpecies, type Species, type WithKinds } from '../../../core/species';
import { FAMILY_WORDS } from '../../../core/species/fields';
import { guideOf } from '../../../core/species/guide';
import { answers, askedOf, type Asked } from '../../../core/species/search';

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

/** Kinds of that name or of what was asked, by name; the nearest spellings where there is none. All of them for nothing asked. */
export function findKinds(kinds: WithKinds, query: string): Finds {
  const asked = askedOf(query);
  const finds = findAsked(kinds, asked);
  const { litres } = asked;
  if (finds.found.length > 0 || litres === null) return { ...finds, tooSmall: null };
  const elsewhere = findAsked(kinds, { ...asked, litres: null }).found;
  const wantsL = Math.min(...elsewhere.map(({ species }) => species.minTankL));
  return { ...finds, tooSmall: elsewhere.length > 0 ? { glassL: litres, wantsL } : null };
}

function findAsked(kinds: WithKinds, asked: Asked): Pick<Finds, 'found' | 'near'> {
  const { cards, fuse } = finderFor(kinds);
  const fit = (c: Card) => answers(asked, c.species);
  const name = plain(asked.name);
  const holds = (text: string) => plain(text).includes(name);
  const exact = cards.filter(fit).flatMap((c): Found[] => {
    if (name === '' || [c.common, c.scientific].some(holds)) return [{ species: c.species, as: null }];
    const as = c.names.find(holds) ?? (holds(c.family) ? c.species.family : undefined);
    return as === undefined ? [] : [{ species: c.species, as }];
  });
  if (exact.length > 0)
    return { found: exact.sort((a, b) => a.species.common.localeCompare(b.species.common)), near: false };
  const near = fuse
    .search(asked.name)
    .flatMap(({ item }): Found[] => (fit(item) ? [{ species: item.species, as: null }] : []));
  return { found: near.slice(0, NEAREST), near: near.length > 0 };
}

/** As many near spellings as are worth a look. */
const NEAREST = 8;
