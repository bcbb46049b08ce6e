import { readLook, type LookTexts } from './lookForm';

const TEXTS: LookTexts = { result: 'clear', day: '2026-05-01', signs: [], whom: [], part: false, note: '' };
const o = { today: '2026-05-01', first: '2026-04-13' };
const read = (over: Partial<LookTexts>) => readLook({ ...TEXTS, ...over }, o);

test('a look of today, of a past day, of some of them, at one group', () => {
  expect(read({})).toEqual({
    ok: true,
    look: { day: '2026-05-01', result: 'clear', signs: [], note: '' },
  });
  expect(read({ day: '2026-04-13', part: true })).toMatchObject({
    ok: true,
    look: { day: '2026-04-13', part: true },
  });
  expect(read({ result: 'sign', signs: ['spots'], whom: ['a'], part: true })).toEqual({
    ok: true,
    look: { day: '2026-05-01', result: 'sign', signs: ['spots'], note: '', animalIds: ['a'] },
  });
  // A sign in words alone will do; on a clear look none is kept.
  expect(read({ result: 'sign', note: 'stands crooked' })).toMatchObject({ ok: true });
  expect(read({ signs: ['spots'] })).toMatchObject({ ok: true, look: { signs: [] } });
});

test.each<[Partial<LookTexts>, string, RegExp]>([
  [{ result: '' }, 'result', /what the look showed/],
  [{ day: '2026-05-02' }, 'day', /lies ahead/],
  [{ day: '2026-04-12' }, 'day', /Nobody was in it/],
  [{ day: '' }, 'day', /Choose the day/],
  [{ result: 'sign' }, 'note', /Choose a sign or write/],
  [{ note: 'x'.repeat(2001) }, 'note', /too long/],
])('%j is questioned', (over, field, says) => {
  const r = read(over);
  expect(r.ok ? {} : r.faults).toEqual({ [field]: expect.stringMatching(says) });
});
