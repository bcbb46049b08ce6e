import { METRIC } from '../../../../core/units';
import { NEW_WALK, readWalk, stepOfField, stepsFor, type Here, type WalkTexts } from './walkForm';

const HERE = (): Here => {
  let n = 0;
  return {
    id: 't',
    units: METRIC,
    today: '2026-05-01',
    noonOf: (day) => `${day}T10:00:00.000Z`,
    newId: () => `id${n++}`,
  };
};
const enough: WalkTexts = { ...NEW_WALK, name: 'Hall', sizeKind: 'volume', volume: '200' };
function begun(patch: Partial<WalkTexts>) {
  const read = readWalk({ ...enough, ...patch }, HERE());
  if (!read.ok) throw new Error(JSON.stringify(read.faults));
  return read.begun;
}
function faults(patch: Partial<WalkTexts>) {
  const read = readWalk({ ...enough, ...patch }, HERE());
  return read.ok ? {} : read.faults;
}

test('a name and a volume are enough: nothing else is claimed', () => {
  const { water, events, animals } = begun({});
  expect(water).toEqual({
    id: 't',
    name: 'Hall',
    kind: 'display',
    startDay: null,
    size: { kind: 'volume', volumeL: 200 },
    sumpL: 0,
    rockKg: null,
    sandKg: null,
    hasLid: false,
    ammoniaSource: 'bottled',
    bacteriaSources: ['bottle'],
    school: 'proof24',
  });
  expect([events, animals]).toEqual([[], []]);
  expect(Object.keys(faults({ name: ' ', volume: '' }))).toEqual(['volume', 'name']);
});
test('an empty glass has no day of filling, even where one was typed before', () => {
  const { water } = begun({ stage: 'empty', startDay: '2026-04-01' });
  expect([water.startDay, water.told]).toEqual([null, { stage: 'empty', day: '2026-05-01' }]);
});
test('what went in before is logged on its day, as told', () => {
  const { water, events } = begun({
    stage: 'cycling',
    startDay: '2026-04-10',
    ammoniaAmount: '2',
    ammoniaDay: '2026-04-11',
    bacteriaSources: ['bottle', 'liveSand'],
    bacteriaDay: '2026-04-12',
  });
  expect(water.startDay).toBe('2026-04-10');
  expect(events.map((e) => [e.kind, e.at.slice(0, 10)])).toEqual([
    ['ammoniaDose', '2026-04-11'],
    ['bacteria', '2026-04-12'],
    ['bacteria', '2026-04-12'],
  ]);
  // 2 mg/L NH4 is 1.553 mg N/L; 200 L less a tenth for rock and sand not weighed yet.
  expect(events[0]).toMatchObject({
    mgN: expect.closeTo(1.553 * 180, 0),
    note: expect.stringContaining('Told'),
  });
});
test('seafood by the gram; other sources have no amount', () => {
  const seafood = begun({
    stage: 'cycling',
    ammoniaSource: 'seafood',
    ammoniaAmount: '30',
    ammoniaDay: '2026-04-11',
  });
  expect(seafood.events[0]).toMatchObject({ kind: 'food', food: 'seafood', grams: 30 });
  expect(begun({ stage: 'cycling', ammoniaSource: 'dieOff', ammoniaAmount: '30' }).events).toEqual([]);
});
test('an amount without a day, a day to come, no number: said at the field, nothing lost', () => {
  expect(faults({ stage: 'cycling', ammoniaAmount: '2' }).ammoniaDay).toMatch(/roughly/);
  expect(faults({ stage: 'cycling', ammoniaAmount: 'two', ammoniaDay: '2026-04-11' }).ammoniaAmount).toMatch(
    /not a number/,
  );
  expect(faults({ stage: 'cycling', bacteriaDay: '2026-06-01' }).bacteriaDay).toMatch(/future/);
  expect(faults({ stage: 'bothZero', startDay: 'soon' }).startDay).toMatch(/leave it open/);
  // What is not asked at this place does not stand in the way.
  expect(faults({ stage: 'empty', ammoniaAmount: 'two' })).toEqual({});
});
test('animals that live there already stand in it since the day they came', () => {
  const living = [{ speciesId: 'ocellaris-clownfish', count: '2', day: '2026-03-01' }];
  const { animals, water } = begun({ stage: 'animalsIn', living });
  expect(animals).toEqual([
    {
      id: 'id0',
      homeId: 't',
      speciesId: 'ocellaris-clownfish',
      count: 2,
      moves: [{ to: { kind: 'water', waterId: 't' }, at: '2026-03-01T10:00:00.000Z', why: '' }],
      plannedDay: null,
    },
  ]);
  expect(water.told?.stage).toBe('animalsIn');
  const bad = faults({ stage: 'animalsIn', living: [{ ...living[0]!, count: '0', day: '' }] });
  expect(Object.keys(bad)).toEqual(['living.0.count', 'living.0.day']);
  expect(faults({ stage: 'animalsIn', living: [{ ...living[0]!, day: '2027-01-01' }] })).toHaveProperty([
    'living.0.day',
  ]);
  // Asked of no one else.
  expect(begun({ stage: 'cycling', living }).animals).toEqual([]);
});
test('a move brings the old tank as a source on its day', () => {
  expect(begun({ stage: 'moving', startDay: '2026-04-30' }).events).toMatchObject([
    { kind: 'bacteria', seed: 'oldTank', at: '2026-04-30T10:00:00.000Z' },
  ]);
  expect(begun({ stage: 'moving' }).events).toEqual([]);
});
test('the past is asked of those who have one; a fault leads to its question', () => {
  expect(stepsFor('')).toEqual(['name', 'glass', 'where', 'method']);
  expect(stepsFor('empty')).toEqual(stepsFor(''));
  expect(stepsFor('cycling')).toEqual(['name', 'glass', 'where', 'before', 'method']);
  expect(['name', 'volume', 'rock', 'startDay', 'living.2.day'].map(stepOfField)).toEqual([
    'name',
    'glass',
    'glass',
    'before',
    'before',
  ]);
});
