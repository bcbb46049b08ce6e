/** Kinds of events and their parts in words. Plain functions, tested without rendering. */
import type {
  CLARITIES,
  EventKind,
  FILMS,
  FOODS,
  SEEDS,
  SMELLS,
  SOUNDS,
  DOSED,
  WaterEvent,
} from '../../../core/document';
import { HOUR_MS } from '../../../core/time';
import { formatDecimal, fromMgNPerL, showQuantity, type UnitPreferences } from '../../../core/units';
import { INCIDENT_WORDS, SCHOOL_WORDS, SWITCHED_WORDS } from '../../../core/words';

export const EVENT_WORDS: Record<EventKind, string> = {
  ammoniaDose: 'Ammonia dose',
  bacteria: 'Bacteria added',
  food: 'Food or seafood in',
  seafoodOut: 'Seafood out',
  waterChange: 'Water change',
  topOff: 'Top-off',
  film: 'Film on glass and rock',
  seaweed: 'Strip of seaweed',
  note: 'Note',
  schoolChanged: 'School changed',
  observation: 'What you notice',
  saltMixed: 'Salt water mixed',
  waterMade: 'RO/DI water made',
  dose: 'Alkalinity, calcium, magnesium dosed',
  incident: 'Something happened',
  away: 'Away',
  switchedOff: 'Switched off',
};
export const SEED_WORDS: Record<(typeof SEEDS)[number], string> = {
  bottle: 'Bottle',
  media: 'Media from a running tank',
  rock: 'Rock from a running tank',
  liveSand: 'Live sand',
  oldTank: 'A whole old tank moved over',
};
export const FOOD_WORDS: Record<(typeof FOODS)[number], string> = {
  pellets: 'Pellets, dry',
  frozen: 'Frozen',
  seafood: 'Raw seafood',
};
export const FILM_WORDS: Record<(typeof FILMS)[number], string> = {
  brown: 'Brown film',
  green: 'Green film',
  hair: 'Hair algae',
  slime: 'Slime',
  stringy: 'Stringy brown',
  coralline: 'Coralline',
};

export const SMELL_WORDS: Record<(typeof SMELLS)[number], string> = {
  none: 'none',
  sea: 'of the sea',
  earthy: 'earthy',
  rotten: 'rotten',
  chemical: 'chemical',
};
export const SOUND_WORDS: Record<(typeof SOUNDS)[number], string> = {
  usual: 'as usual',
  gurgling: 'gurgling',
  rattling: 'rattling',
  silent: 'silent',
};
export const CLARITY_WORDS: Record<(typeof CLARITIES)[number], string> = {
  clear: 'clear',
  hazy: 'hazy',
  cloudy: 'cloudy',
  yellow: 'yellowish',
};
export const DOSED_WORDS: Record<(typeof DOSED)[number], { title: string; unit: string; max: number }> = {
  alkalinity: { title: 'Alkalinity', unit: 'dKH', max: 10 },
  calcium: { title: 'Calcium', unit: 'mg/L', max: 200 },
  magnesium: { title: 'Magnesium', unit: 'mg/L', max: 500 },
};

/** An event in one line. */
export function eventWords(e: WaterEvent, netL: number, units: UnitPreferences): string {
  switch (e.kind) {
    case 'ammoniaDose': {
      const rise = formatDecimal(fromMgNPerL('ammonia', 'ion', e.mgN / netL), 1);
      const measured = e.mL === null ? '' : `, ${formatDecimal(e.mL, 1)} mL`;
      return `+${rise} mg/L NH₄ (${e.mgN.toFixed(0)} mg N${measured})`;
    }
    case 'bacteria':
      return [
        SEED_WORDS[e.seed],
        e.mL === null ? '' : `${formatDecimal(e.mL, 0)} mL`,
        e.from ? `from ${e.from}` : '',
        e.label ?? '',
        e.storage ? `kept: ${e.storage}` : '',
        e.ranDays === undefined ? '' : `ran ${formatDecimal(e.ranDays, 0)} days there`,
        e.keptWet === false ? 'fell dry' : '',
        e.expires && e.expires < e.at.slice(0, 10) ? 'past its date' : '',
      ]
        .filter(Boolean)
        .join(', ');
    case 'food':
      return `${FOOD_WORDS[e.food]}, ${formatDecimal(e.grams, 1)} g`;
    case 'waterChange':
      return `${showQuantity('volume', e.litres, units, 0)}, ${Math.round((100 * e.litres) / netL)} %`;
    case 'topOff':
      return showQuantity('volume', e.litres, units);
    case 'film':
      return `${FILM_WORDS[e.film]} ${e.extent} of 4`;
    case 'seaweed':
      return { none: 'all eaten in half a day', some: 'some left', most: 'hardly touched' }[e.left];
    case 'schoolChanged':
      return `${SCHOOL_WORDS[e.from].title} → ${SCHOOL_WORDS[e.to].title}`;
    case 'observation': {
      const told = [
        e.smell === 'none' ? '' : `smell ${SMELL_WORDS[e.smell]}`,
        e.sound === 'usual' ? '' : `sound ${SOUND_WORDS[e.sound]}`,
        `water ${CLARITY_WORDS[e.clarity]}`,
        e.seen ? `seen: ${e.seen}` : '',
        e.missing ? `missing: ${e.missing}` : '',
      ];
      return told.filter(Boolean).join(', ');
    }
    case 'saltMixed':
      return `${showQuantity('volume', e.litres, units, 0)} with ${formatDecimal(e.grams, 0)} g to ${showQuantity('salinity', e.salinity, units)}`;
    case 'waterMade':
      return `${showQuantity('volume', e.litres, units, 0)}${e.minutes === null ? '' : ` in ${formatDecimal(e.minutes, 0)} min`}`;
    case 'dose': {
      const { title, unit } = DOSED_WORDS[e.what];
      const weighed = e.grams === null ? '' : `, ${formatDecimal(e.grams, 1)} g`;
      return `${title} +${formatDecimal(e.rise, 2)} ${unit}${weighed}`;
    }
    case 'incident': {
      const lasted =
        e.until === undefined
          ? ''
          : `${formatDecimal((Date.parse(e.until) - Date.parse(e.at)) / HOUR_MS, 1)} h`;
      return [INCIDENT_WORDS[e.what], e.name ?? '', lasted].filter(Boolean).join(', ');
    }
    case 'switchedOff':
      return `${e.parts.map((p) => SWITCHED_WORDS[p]).join(', ')}${e.onAt === null ? ', not on again yet' : ', on again'}`;
    case 'away':
      return `${formatDecimal((Date.parse(e.until) - Date.parse(e.at)) / (24 * HOUR_MS), 1)} days`;
    case 'seafoodOut':
    case 'note':
      return '';
  }
}
