/** Terms of the field in one line each, with the formula where there is one. */
export interface Term {
  id: string;
  term: string;
  means: string;
  formula?: string;
}

export const GLOSSARY: readonly Term[] = [
  {
    id: 'tan',
    term: 'Total ammonia',
    means:
      'Ammonium and ammonia together: what most kits show. At reef pH about a twentieth of it is the poisonous part.',
    formula: 'TAN = NH₄⁺ + NH₃',
  },
  {
    id: 'free',
    term: 'Free ammonia',
    means: 'The part that burns gills. It rises with pH and warmth.',
    formula: 'share = 1 / (1 + 10^(pKa − pH))',
  },
  {
    id: 'asN',
    term: 'As N',
    means: 'Counted by the nitrogen in it, so that ammonia, nitrite and nitrate can be added up.',
    formula: 'NH₄ / 1.288, NO₂ / 3.284, NO₃ / 4.427',
  },
  {
    id: 'cycle',
    term: 'Cycle',
    means:
      'Growing the bacteria that turn ammonia into nitrite and nitrite into nitrate, before animals make any.',
  },
  {
    id: 'nitrification',
    term: 'Nitrification',
    means: 'What those bacteria do. It takes oxygen and alkalinity.',
    formula: 'NH₄⁺ + 2 O₂ → NO₃⁻ + 2 H⁺ + H₂O; 0.4 dKH for a mg N/L',
  },
  {
    id: 'proof',
    term: 'Proof',
    means:
      'A known dose of ammonia that is gone a day later with its nitrite, given while nobody lives in the water: it measures what the filter can do.',
  },
  {
    id: 'capacity',
    term: 'Capacity',
    means: 'Nitrogen a filter can turn over in a day. Near zero ammonia it does less than a proof showed.',
    formula: 'uptake = X · A / (Kₐ + A)',
  },
  {
    id: 'salinity',
    term: 'Practical salinity',
    means: 'The salt scale, close to grams in a kilogram. Natural sea water is about 35.',
  },
  {
    id: 'sg',
    term: 'Specific gravity',
    means:
      'How much heavier than pure water. It needs the temperatures it is marked at: 35 is 1.0264 at 25/25.',
    formula: 'SG = ρ(S, T) / ρ(0, T)',
  },
  {
    id: 'alkalinity',
    term: 'Alkalinity, dKH',
    means: 'What buffers pH and what skeletons are built of.',
    formula: '1 meq/L = 2.804 dKH = 50.04 mg/L CaCO₃',
  },
  {
    id: 'net',
    term: 'Net volume',
    means: 'The water that is really there: glass and sump less rock and sand. Every dose rests on it.',
  },
  {
    id: 'change',
    term: 'Water change',
    means: 'A share of the water swapped; what is dissolved is thinned by that share.',
    formula: 'C′ = C (1 − f) + Cₙ f',
  },
  {
    id: 'uptake',
    term: 'Uptake',
    means: 'What a tank uses of a thing in a day, changes and doses taken out.',
  },
  {
    id: 'tds',
    term: 'TDS',
    means: 'Dissolved solids by conductivity: how much, never what.',
    formula: 'rejection = 1 − after / before',
  },
  {
    id: 'par',
    term: 'PAR',
    means: 'Light that algae in corals can use, at a place.',
    formula: 'light of a day = PAR · 3600 · hours / 10⁶',
  },
  {
    id: 'interval',
    term: 'Between two steps',
    means: 'A colour chart tells a span, not a number; the app reckons with both ends.',
  },
  {
    id: 'quarantine',
    term: 'Quarantine',
    means: 'A water of its own where newcomers are watched, clear day after clear day, before they join.',
  },
  {
    id: 'fallow',
    term: 'Fallow',
    means: 'A display without fish until a fish parasite has found no host: 76 days at 24 to 26 °C.',
  },
  {
    id: 'drip',
    term: 'Drip acclimation',
    means:
      'Tank water let into the bag water slowly. In a bag of a long journey it raises the poison: then the bag floats and is opened last.',
  },
  {
    id: 'p50',
    term: 'Likely day',
    means:
      'Half of the futures the forecast made are there by then; nine in ten lie between the early and the late day.',
  },
];

/** A text to send about something that is wrong in the app. @param where what it is about, in its own words */
export const errorReport = (where: string, says: string): string =>
  `In Zoarium, under “${where}”, it says:\n\n${says}\n\nThis is wrong because:\n\n\nMy source (book, paper, label):\n`;
