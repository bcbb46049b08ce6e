import { IN, type Animal, type Display, type Place } from '../document';
import { DAY, History, START_MS } from '../testing/history';
import { fallowOf } from './index';

const dayOf = (ms: number) => new Date(ms).toISOString().slice(0, 10);
const at = (day: number) => new Date(START_MS + day * DAY).toISOString();
function world(...moves: [Place, number][]) {
  const h = new History().event(20, { kind: 'incident', what: 'outbreak' } as never);
  const fish: Animal = {
    id: 'f',
    homeId: 't',
    speciesId: 'royal-gramma',
    count: 1,
    moves: moves.map(([to, day]) => ({ to, at: at(day), why: '' })),
    plannedDay: null,
  };
  if (moves.length > 0) h.doc.animals.f = fish;
  return h;
}
const on = (h: History, day: number) =>
  fallowOf(h.doc, h.doc.waters.t as Display, START_MS + day * DAY, dayOf);

test('no day counts while a fish is in; from the last one out 76 do', () => {
  const h = world([IN('t'), 1], [IN('q'), 22]);
  const still = world([IN('t'), 1]);
  expect(on(still, 30)).toMatchObject({ sinceDay: null, day: 0, overDay: null, over: false });
  expect(on(h, 30)).toMatchObject({ sinceDay: dayOf(START_MS + 22 * DAY), day: 8, of: 76, over: false });
  expect(on(h, 97)?.over).toBe(false);
  expect(on(h, 98)?.over).toBe(true);
  expect(on(h, 98)?.overDay).toBe(dayOf(START_MS + 98 * DAY));
});
test('a fish that came back in between begins it again', () => {
  const back = world([IN('t'), 1], [IN('q'), 22], [IN('t'), 40], [IN('q'), 41]);
  expect(on(back, 50)).toMatchObject({ sinceDay: dayOf(START_MS + 41 * DAY), day: 9 });
});
test('without fish it counts from the outbreak; snails do not matter', () => {
  expect(on(world(), 25)).toMatchObject({ day: 5 });
  const h = world();
  h.animal(1, 'turban-snail');
  expect(on(h, 25)).toMatchObject({ day: 5, fishIn: [] });
});
test('no outbreak, one that lies ahead, or one long over: nothing to tell', () => {
  expect(on(new History(), 30)).toBeNull();
  expect(on(world(), 19)).toBeNull();
  expect(on(world(), 20 + 76 + 14)).not.toBeNull();
  expect(on(world(), 20 + 76 + 15)).toBeNull();
});

describe('fewer days where it is warm', () => {
  const warm = (...temps: [number, number][]) => {
    const h = world([IN('t'), 1], [IN('q'), 20]);
    for (const e of Object.values(h.doc.events))
      Object.assign(e, { fallow: { days: 45, why: 'the vet of the house says so' } });
    for (const [day, temperature] of temps) h.test(day, { temperature });
    return h;
  };
  const weekly = Array.from({ length: 9 }, (_, i): [number, number] => [21 + 6 * i, 27.4]);
  test('they hold while every week shows 27 C or more', () => {
    expect(on(warm(...weekly), 64)).toMatchObject({ of: 45, over: false, shorter: { warm: true } });
    expect(on(warm(...weekly), 65)).toMatchObject({ of: 45, over: true });
  });
  test('one cooler reading, or a week without any, and it is the usual time again', () => {
    expect(on(warm(...weekly, [40, 26.9]), 66)).toMatchObject({
      of: 76,
      over: false,
      shorter: { warm: false },
    });
    expect(on(warm(...weekly.filter((_, i) => i !== 3)), 66)).toMatchObject({ of: 76, over: false });
    expect(on(warm(...weekly, [40, 27]), 66)).toMatchObject({ of: 45, over: true });
  });
  test('what is read after the days are over changes nothing', () =>
    expect(on(warm(...weekly, [70, 24]), 71)).toMatchObject({ of: 45, over: true }));
});
