import { newPart, readPart, textsOfPart, withKind, type PartTexts } from './partForm';

const base = { id: 'p', waterId: 't', before: null };
const texts = (patch: Partial<PartTexts>): PartTexts => ({
  ...newPart('2026-05-01'),
  name: 'Skimmer',
  ...patch,
});

test('a part reads back to the texts it came from', () => {
  const read = readPart(
    texts({
      price: '120,5',
      watts: '9',
      where: 'sump',
      onLoan: true,
      loanFrom: 'club',
      loanDue: '2026-06-01',
    }),
    base,
  );
  if (!read.ok) throw new Error('not read');
  expect(read.part).toMatchObject({
    price: 120.5,
    watts: 9,
    breakInDays: 14,
    serviceEveryDays: 30,
    loan: { from: 'club', dueDay: '2026-06-01', returnedDay: null },
  });
  const again = readPart(textsOfPart(read.part), { ...base, before: read.part });
  expect(again.ok && again.part).toEqual(read.part);
});
test('the usual intervals come with the kind', () =>
  expect(withKind(texts({}), 'rodi')).toMatchObject({ breakIn: '0', service: '180' }));
test('an empty interval is none; what was serviced and set is kept', () => {
  const before = readPart(texts({}), base);
  if (!before.ok) throw new Error('not read');
  const part = { ...before.part, services: [{ day: '2026-05-02', note: '' }] };
  const read = readPart(texts({ service: '' }), { ...base, before: part });
  expect(read.ok && [read.part.serviceEveryDays, read.part.services]).toEqual([null, part.services]);
});
test('editing a part keeps its stage, its diary and what was seen of its cable', () => {
  const before = readPart(texts({ kind: 'rodi', stage: 'resin', socket: 'Strip', by: 'timer' }), base);
  if (!before.ok) throw new Error('not read');
  const seen = { socket: 'Strip', by: 'timer', loopSeenDay: '2026-05-02' };
  const foam = [{ day: '2026-05-02', is: 'wet' as const, cup: '' }];
  const part = { ...before.part, plug: seen, foam };
  const again = (patch: Partial<PartTexts>) => {
    const read = readPart({ ...textsOfPart(part), ...patch }, { ...base, before: part });
    if (!read.ok) throw new Error('not read');
    return read.part;
  };
  expect(again({})).toEqual(part);
  expect(again({ kind: 'other' }).stage).toBeUndefined();
  // Another socket is another cable's way: its loop is looked at anew.
  expect(again({ socket: 'Wall' }).plug).toEqual({ socket: 'Wall', by: 'timer', loopSeenDay: null });
  expect(again({ socket: '', by: '' }).plug).toBeUndefined();
});
test.each([
  [{ name: ' ' }, 'name'],
  [{ socket: 'x'.repeat(81) }, 'socket'],
  [{ name: 'x'.repeat(81) }, 'name'],
  [{ sinceDay: '' }, 'sinceDay'],
  [{ price: '-3' }, 'price'],
  [{ watts: 'many' }, 'watts'],
  [{ breakIn: '9999' }, 'breakIn'],
  [{ onLoan: true }, 'loanFrom'],
  [{ onLoan: true, loanFrom: 'club', loanDue: 'soon' }, 'loanDue'],
] as [Partial<PartTexts>, keyof PartTexts][])('%p is a fault at %s', (patch, key) => {
  const read = readPart(texts(patch), base);
  expect(!read.ok && read.faults[key]).toBeTruthy();
});
