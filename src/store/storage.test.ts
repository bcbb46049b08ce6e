/** The storage of the browser, on an IndexedDB in memory. */
import 'fake-indexeddb/auto';
import { createAsyncStorage } from '@react-native-async-storage/async-storage';
import { browserStorage, memoryStorage } from './storage';

const storage = browserStorage();
beforeEach(() => storage.clear());
const all = async () => Object.fromEntries(await storage.entries({}));

test('what was written is read, what was removed is gone, in one call each', async () => {
  await storage.setMany({ a: '1', b: '2' });
  await storage.setMany({ a: null, c: '3' });
  expect(await all()).toEqual({ b: '2', c: '3' });
  expect(await storage.getAllKeys()).toEqual(['b', 'c']);
});
test('more entries than are handed over at once are all read', async () => {
  const many = Object.fromEntries(Array.from({ length: 1001 }, (_, i) => [`e/${i}`, String(i)]));
  await storage.setMany(many);
  expect(await all()).toEqual(many);
});
test.each([
  [{}, ['a', 'b', 'c', 'd']],
  [{ from: 'b' }, ['b', 'c', 'd']],
  [{ below: 'c' }, ['a', 'b']],
  [{ from: 'b', below: 'd' }, ['b', 'c']],
])('of the span %j it reads %j, and so does the one in memory', async (span, keys) => {
  const four = { a: '1', b: '2', c: '3', d: '4' };
  await storage.setMany(four);
  expect([...(await storage.entries(span)).keys()]).toEqual(keys);
  expect([...(await memoryStorage(four).entries(span)).keys()]).toEqual(keys);
});
test('a batch that cannot be stored as a whole is not stored in part', async () => {
  await storage.setMany({ a: '1' });
  const broken = { a: '2', b: (() => 0) as unknown as string };
  await expect(storage.setMany(broken)).rejects.toThrow();
  expect(await all()).toEqual({ a: '1' });
});
test('it is the package’s own database, read and written by both', async () => {
  const theirs = createAsyncStorage('zoarium');
  await theirs.setMany({ a: '1' });
  await storage.setItem('b', '2');
  expect(await storage.getMany(['a', 'b', 'none'])).toEqual({ a: '1', b: '2', none: null });
  expect(await theirs.getItem('b')).toBe('2');
  await storage.removeMany(['a']);
  await storage.removeItem('b');
  expect(await theirs.getAllKeys()).toEqual([]);
});
test('an entry that an earlier version left empty is nothing', async () => {
  await createAsyncStorage('zoarium').setMany({ gone: null, a: '1' } as unknown as Record<string, string>);
  expect(await all()).toEqual({ a: '1' });
});
test('more than goes at once is written and read whole, or not at all', async () => {
  const many = Object.fromEntries(Array.from({ length: 1201 }, (_, i) => [`k${i}`, String(i)]));
  await storage.setMany(many);
  expect(await storage.getMany(Object.keys(many))).toEqual(many);
  const broken = {
    ...Object.fromEntries(Object.keys(many).map((key) => [key, 'new'])),
    z: (() => 0) as unknown as string,
  };
  await expect(storage.setMany(broken)).rejects.toThrow();
  expect(await all()).toEqual(many);
});
