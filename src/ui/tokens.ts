/** The identity in numbers. A private palette, public roles; spacing on 4 px; whole type styles. */
import type { TextStyle } from 'react-native';

const limestone = { ground: '#F3EFE4', paper: '#FBF9F3', sand: '#EAE3D2', hairline: '#D6CEBB' };
const kelp = { ground: '#0E1816', paper: '#15221F', sand: '#1B2926', hairline: '#2C3B36' };

export interface Roles {
  ground: string;
  paper: string;
  sand: string;
  hairline: string;
  /** Edges of things that can be pressed: 3:1 against ground and paper. */
  edge: string;
  ink: string;
  second: string;
  action: string;
  onAction: string;
  go: string;
  wash: string;
  ammonia: string;
  nitrite: string;
  nitriteFill: string;
  nitrate: string;
  nitrateFill: string;
}

export const LIGHT: Roles = {
  ...limestone,
  edge: '#857F6E',
  ink: '#15231E',
  second: '#4B5A52',
  action: '#9E2459',
  onAction: '#FFF7F2',
  go: '#2B6847',
  wash: '#E7EEE6',
  ammonia: '#A8402A',
  nitrite: '#7D5F0B',
  nitriteFill: '#D9B24A',
  nitrate: '#14606C',
  nitrateFill: '#6FA9AC',
};

/** On a sheet, whether the browser is told to print backgrounds or not. */
export const ON_PAPER: Roles = { ...LIGHT, ground: '#FFFFFF' };

export const DARK: Roles = {
  ...kelp,
  edge: '#6F8078',
  ink: '#EFE9DB',
  second: '#A6B2A8',
  action: '#E384AE',
  onAction: '#2A0716',
  go: '#82C8A0',
  wash: '#17302A',
  ammonia: '#E38D69',
  nitrite: '#E0B95F',
  nitriteFill: '#8C6E22',
  nitrate: '#6BBAC2',
  nitrateFill: '#235C62',
};

export type Role = keyof Roles;

/** Multiples of 4 px. */
export const space = (n: number): number => n * 4;
export const RADIUS = 10;
export const TARGET = 48;
/** From this width on: rail at the left, evidence in a second column. */
export const WIDE = 900;

export const FONTS = {
  display: 'BricolageGrotesque_600SemiBold',
  displayHeavy: 'BricolageGrotesque_800ExtraBold',
  text: 'AtkinsonHyperlegibleNext_400Regular',
  textBold: 'AtkinsonHyperlegibleNext_700Bold',
} as const;

const tabular: TextStyle = { fontVariant: ['tabular-nums'] };

export const TYPE = {
  word: { fontFamily: FONTS.displayHeavy, fontSize: 84, lineHeight: 78, letterSpacing: -2 },
  wordWide: { fontFamily: FONTS.displayHeavy, fontSize: 104, lineHeight: 96, letterSpacing: -3 },
  number: { fontFamily: FONTS.displayHeavy, fontSize: 40, lineHeight: 44, ...tabular },
  title: { fontFamily: FONTS.display, fontSize: 26, lineHeight: 32 },
  section: { fontFamily: FONTS.display, fontSize: 20, lineHeight: 26 },
  row: { fontFamily: FONTS.display, fontSize: 18, lineHeight: 24 },
  body: { fontFamily: FONTS.text, fontSize: 17, lineHeight: 25, ...tabular },
  strong: { fontFamily: FONTS.textBold, fontSize: 17, lineHeight: 25, ...tabular },
  small: { fontFamily: FONTS.text, fontSize: 15, lineHeight: 21, ...tabular },
  label: { fontFamily: FONTS.textBold, fontSize: 14, lineHeight: 18, ...tabular },
} satisfies Record<string, TextStyle>;
export type TypeKind = keyof typeof TYPE;

/** Height of the trend on Today: its place is kept while its code comes. */
export const TREND_HEIGHT = 132;
