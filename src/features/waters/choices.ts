/** What can be chosen about a display, in words: shared by the walk of a new one and by its edit sheet. */
import type { Display } from '../../../core/document';
import type { WaterTexts } from './waterForm';

export const AMMONIA: readonly { value: Display['ammoniaSource']; label: string; note?: string }[] = [
  {
    value: 'bottled',
    label: 'Bottled ammonia',
    note: 'Ammonium chloride to about 2 mg/L: exact, and it can be repeated for the proof.',
  },
  { value: 'seafood', label: 'Raw seafood', note: 'Taken out after some days; cloudy and hard to dose.' },
  { value: 'feeding', label: 'Feeding the empty tank', note: 'Small daily pinches; slow and gentle.' },
  { value: 'dieOff', label: 'Die-off from rock', note: 'Rots on its own; phosphate comes with it.' },
  {
    value: 'fish',
    label: 'Fish',
    note: 'Discouraged: ammonia burns gills, and the first fish is often regretted.',
  },
];

export const BACTERIA: readonly { value: Display['bacteriaSources'][number]; label: string }[] = [
  { value: 'bottle', label: 'Bottle' },
  { value: 'media', label: 'Running media or rock' },
  { value: 'liveSand', label: 'Live sand' },
];

export const ROCK: readonly { value: WaterTexts['rockKind']; label: string }[] = [
  { value: 'unknown', label: 'Not said' },
  { value: 'dryMade', label: 'Dry, mined or made' },
  { value: 'cured', label: 'Cured live rock' },
  { value: 'driedOcean', label: 'Ocean rock, dried out' },
  { value: 'running', label: 'From a running tank' },
];

export const FILLED: readonly { value: WaterTexts['filledWith']; label: string }[] = [
  { value: 'unknown', label: 'Not said' },
  { value: 'rodi', label: 'Own RO/DI' },
  { value: 'boughtFresh', label: 'Bought RO/DI' },
  { value: 'boughtSalt', label: 'Bought salt water' },
  { value: 'natural', label: 'Natural sea water' },
  { value: 'tap', label: 'Tap water' },
];

export const TAP: readonly { value: WaterTexts['tapHolds']; label: string }[] = [
  { value: 'chlorine', label: 'Chlorine' },
  { value: 'chloramine', label: 'Chloramine' },
  { value: 'unknown', label: 'I do not know' },
];
