/** The samples of a water in time order, and its points as series. Laid out once, and amended by what an act changes: a history of years is not laid
 *  out again at each new entry. */
import {
  PARAMETERS,
  type Calibration,
  type Document,
  type Kit,
  type Parameter,
  type Sample,
} from '../document';
import { calibrationSessions, type CalibrationSession } from '../instruments';
import { remembered } from '../remembered';
import { asCalibrated, lastOf, pointsOf, timeOf, withInterference, type Point, type Series } from './points';

type TimedSample = { sample: Sample; atMs: number };
type Samples = Document['samples'];
type Kits = Record<string, Kit>;
type Calibrations = Record<string, Calibration>;

interface Layout {
  samples: readonly TimedSample[];
  /** As the instruments see them. */
  points: Series;
  /** The same, and nitrate doubted where nitrite may have been read along. */
  series: Series;
}

/** The series as known at a moment. An event, an animal, a later minute lay nothing out again. Collections are replaced, never changed, by every
 *  act. */
export function seriesAt(doc: Document, waterId: string, nowMs: number): Series {
  const calibrations = known(doc.calibrations, nowMs);
  const whole = layoutOf(doc, waterId, calibrations);
  const last = lastOf(whole.samples);
  if (last === undefined || last.atMs <= nowMs) return whole.series;
  const until = (points: readonly Point[]) => points.filter((p) => p.atMs <= nowMs);
  const points = Object.fromEntries(PARAMETERS.map((p) => [p, until(whole.points[p])])) as unknown as Series;
  return withDoubtedNitrate(points);
}

/** Times of the samples that bear a later one than this. */
export function samplesAfter(doc: Document, waterId: string, nowMs: number): number[] {
  const { samples } = layoutOf(doc, waterId, known(doc.calibrations, nowMs));
  let from = samples.length;
  while (from > 0 && (samples[from - 1] as TimedSample).atMs > nowMs) from--;
  return samples.slice(from).map((s) => s.atMs);
}

/** Lays out each water, a sample a step. */
export function* layingAhead(
  doc: Pick<Document, 'samples' | 'kits' | 'calibrations'>,
): Generator<void, Series[]> {
  const waters = new Set<string>();
  for (const id in doc.samples) waters.add((doc.samples[id] as Sample).waterId);
  yield;
  const laidOut: Series[] = [];
  for (const waterId of waters) laidOut.push((yield* layingOf(doc, waterId, doc.calibrations)).series);
  return laidOut;
}

/** What a generator returns, at one go. */
function atOnce<T>(steps: Generator<void, T>): T {
  let step = steps.next();
  while (!step.done) step = steps.next();
  return step.value;
}

/** The calibrations made by a moment; the collection itself when that is all of them. */
function known(calibrations: Calibrations, nowMs: number): Calibrations {
  const all = Object.values(calibrations);
  const made = all.filter((c) => timeOf(c) <= nowMs);
  return made.length === all.length ? calibrations : Object.fromEntries(made.map((c) => [c.id, c]));
}

/** What was laid out last with these kits and calibrations, and of which samples. */
interface Shelf {
  of: Samples;
  count: number;
  layouts: Map<string, Layout>;
}
const shelves = remembered((_kits: Kits) =>
  remembered((_calibrations: Calibrations): Shelf => ({ of: {}, count: 0, layouts: new Map() })),
);

const layoutOf = (
  doc: Pick<Document, 'samples' | 'kits'>,
  waterId: string,
  calibrations: Calibrations,
): Layout => atOnce(layingOf(doc, waterId, calibrations));

/** The same step by step. */
function* layingOf(
  doc: Pick<Document, 'samples' | 'kits'>,
  waterId: string,
  calibrations: Calibrations,
): Generator<void, Layout> {
  const shelf = shelves(doc.kits)(calibrations);
  if (shelf.of !== doc.samples) turnTo(shelf, doc.samples, doc.kits, calibrations);
  let layout = shelf.layouts.get(waterId);
  if (!layout) {
    const samples: TimedSample[] = [];
    for (const sample of Object.values(doc.samples)) {
      if (sample.waterId === waterId) samples.push({ sample, atMs: timeOf(sample) });
      yield;
    }
    samples.sort((a, b) => a.atMs - b.atMs);
    yield;
    layout = yield* layingOut(samples, doc.kits, calibrations);
    // Between two steps the shelf may have turned to later samples.
    if (shelf.of === doc.samples) shelf.layouts.set(waterId, layout);
  }
  return layout;
}

/** @param samples in time order */
function* layingOut(
  samples: readonly TimedSample[],
  kits: Kits,
  calibrations: Calibrations,
): Generator<void, Layout> {
  const points = Object.fromEntries(PARAMETERS.map((p) => [p, []])) as unknown as Record<Parameter, Point[]>;
  const read = calibratedPoints(kits, calibrations);
  for (const { sample } of samples) {
    for (const { parameter, point } of read(sample)) points[parameter].push(point);
    yield;
  }
  return { samples, points, series: withDoubtedNitrate(points) };
}

const withDoubtedNitrate = (points: Series): Series => ({
  ...points,
  nitrate: withInterference(points.nitrate, points.nitrite),
});

/** The points of one sample, corrected by the calibrations of their instruments. */
function calibratedPoints(kits: Kits, calibrations: Calibrations) {
  const sessions = sessionsBy(kits)(calibrations);
  if (sessions.size === 0) return (sample: Sample) => pointsOf(sample, kits);
  return (sample: Sample) =>
    pointsOf(sample, kits).map(({ parameter, point }) => {
      const ofKit = point.kit.parameter === parameter ? sessions.get(point.kit.id) : undefined;
      return { parameter, point: ofKit ? asCalibrated(point, ofKit) : point };
    });
}

/** The calibrations of each kit, in sessions. */
const sessionsBy = remembered((kits: Kits) =>
  remembered((calibrations: Calibrations) => {
    const sessions = new Map<string, CalibrationSession[]>();
    for (const kitId of new Set(Object.values(calibrations).map((c) => c.kitId))) {
      const kit = kits[kitId];
      const ofKit = Object.values(calibrations).filter((c) => c.kitId === kitId);
      if (kit) sessions.set(kitId, calibrationSessions(ofKit, kit.parameter));
    }
    return sessions;
  }),
);

/** More than an act by hand changes: then everything is laid out anew. */
const FEW = 32;

/** Amends what was laid out by what differs in these samples; what cannot be amended is laid out anew when it is asked for. */
function turnTo(shelf: Shelf, samples: Samples, kits: Kits, calibrations: Calibrations): void {
  const changed = shelf.layouts.size > 0 ? difference(shelf, samples) : null;
  for (const [waterId, layout] of changed ? shelf.layouts : []) {
    const ofWater = (list: readonly Sample[]) => list.filter((s) => s.waterId === waterId);
    const next = amended(
      layout,
      ofWater(changed?.gone ?? []),
      ofWater(changed?.come ?? []),
      kits,
      calibrations,
    );
    if (next) shelf.layouts.set(waterId, next);
    else shelf.layouts.delete(waterId);
  }
  if (!changed) shelf.layouts.clear();
  shelf.count = changed
    ? shelf.count + changed.come.length - changed.gone.length
    : Object.keys(samples).length;
  shelf.of = samples;
}

/** What left and what came, of a changed sample both; null where that is more than a few. */
function difference(shelf: Shelf, samples: Samples): { gone: Sample[]; come: Sample[] } | null {
  const [gone, come]: [Sample[], Sample[]] = [[], []];
  const leaves = (id: string): void => {
    if (Object.hasOwn(shelf.of, id)) gone.push(shelf.of[id] as Sample);
  };
  let count = 0;
  for (const id in samples) {
    count += 1;
    const sample = samples[id] as Sample;
    if (sample === shelf.of[id]) continue;
    come.push(sample);
    leaves(id);
    if (come.length > FEW) return null;
  }
  if (count !== shelf.count + come.length - gone.length) {
    for (const id in shelf.of) {
      if (!Object.hasOwn(samples, id)) leaves(id);
      if (gone.length > FEW) return null;
    }
  }
  return { gone, come };
}

/** A layout without some samples and with others; null where two would stand at the same moment, whose order is that of the collection. */
function amended(
  layout: Layout,
  gone: readonly Sample[],
  come: readonly Sample[],
  kits: Kits,
  calibrations: Calibrations,
): Layout | null {
  if (gone.length + come.length === 0) return layout;
  const samples = layout.samples.filter((s) => !gone.includes(s.sample));
  const read = calibratedPoints(kits, calibrations);
  const touched = new Map<Parameter, Point[]>();
  const pointsTouched = (parameter: Parameter): Point[] => {
    const points = touched.get(parameter) ?? [...layout.points[parameter]];
    touched.set(parameter, points);
    return points;
  };
  const goneIds = new Set(gone.map((s) => s.id));
  for (const parameter of new Set(gone.flatMap((s) => s.readings.map((r) => r.parameter)))) {
    touched.set(
      parameter,
      pointsTouched(parameter).filter((p) => !goneIds.has(p.sampleId)),
    );
  }
  for (const sample of come) {
    const atMs = timeOf(sample);
    const place = placeOf(samples, atMs);
    if (samples[place - 1]?.atMs === atMs) return null;
    samples.splice(place, 0, { sample, atMs });
    for (const { parameter, point } of read(sample)) {
      const points = pointsTouched(parameter);
      points.splice(placeOf(points, atMs), 0, point);
    }
  }
  const points = { ...layout.points, ...Object.fromEntries(touched) };
  const nitrate =
    touched.has('nitrate') || touched.has('nitrite')
      ? withInterference(points.nitrate, points.nitrite)
      : layout.series.nitrate;
  return { samples, points, series: { ...points, nitrate } };
}

/** Behind all that stand at this moment or before. */
function placeOf(list: readonly { atMs: number }[], atMs: number): number {
  let place = list.length;
  while (place > 0 && (list[place - 1] as { atMs: number }).atMs > atMs) place--;
  return place;
}
