/** The browser's storage as the store sees it: AsyncStorage's batch calls and nothing else. One call of setMany is one
 *  transaction. A removed entity is a null, so that an act that removes and adds is still a single transaction. */
import { createAsyncStorage } from '@react-native-async-storage/async-storage';

export interface Storage {
  getAllKeys(): Promise<string[]>;
  getMany(keys: string[]): Promise<Record<string, string | null>>;
  setMany(entries: Record<string, string | null>): Promise<void>;
  removeMany(keys: string[]): Promise<void>;
}

export function browserStorage(): Storage {
  const storage = createAsyncStorage('zoarium');
  return {
    getAllKeys: () => storage.getAllKeys(),
    getMany: (keys) => storage.getMany(keys),
    // The web store keeps nulls; the declared type allows strings only.
    setMany: (entries) => storage.setMany(entries as Record<string, string>),
    removeMany: (keys) => storage.removeMany(keys),
  };
}

/** Storage in memory, for tests and for a browser that refuses to store. */
export function memoryStorage(
  initial: Record<string, string | null> = {},
): Storage & { entries: Map<string, string | null>; writes: number } {
  const entries = new Map(Object.entries(initial));
  return {
    entries,
    writes: 0,
    getAllKeys: async () => [...entries.keys()],
    getMany: async (keys) => Object.fromEntries(keys.map((k) => [k, entries.get(k) ?? null])),
    async setMany(batch) {
      this.writes++;
      for (const [k, v] of Object.entries(batch)) entries.set(k, v);
    },
    removeMany: async (keys) => keys.forEach((k) => entries.delete(k)),
  };
}
