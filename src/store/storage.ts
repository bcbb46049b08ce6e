/** The browser's storage as the store sees it: AsyncStorage's interface and its database, with what the package cannot do added.
 *  Everything is read in one go; what is removed and what is added are one transaction; and a write is done when the transaction has
 *  completed, not before. */
import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';

export interface Storage {
  /** All there is. Rejects only when the storage itself does. */
  entries(): Promise<Record<string, string>>;
  /** All or nothing; a null removes. Resolves once the transaction has completed. */
  setMany(entries: Record<string, string | null>): Promise<void>;
}

/** The package's own database: what it wrote is read here, and the other way round. */
const TABLE = 'entries';
interface Database extends DBSchema {
  [TABLE]: { key: string; value: string | null };
}

/** As many entries as are handed over at once: a long history must not arrive as one long task. */
const BATCH = 2000;

class CompletedStorage implements AsyncStorage, Storage {
  private open: Promise<IDBPDatabase<Database>> | null = null;

  constructor(private readonly name: string) {}

  private database(): Promise<IDBPDatabase<Database>> {
    this.open ??= openDB<Database>(this.name, 1, { upgrade: (db) => void db.createObjectStore(TABLE) });
    // A browser that refused once may be asked again.
    this.open.catch(() => (this.open = null));
    return this.open;
  }

  async entries(): Promise<Record<string, string>> {
    const tx = (await this.database()).transaction(TABLE);
    const all: Record<string, string> = {};
    let range: IDBKeyRange | undefined;
    for (;;) {
      const [keys, values] = await Promise.all([
        tx.store.getAllKeys(range, BATCH),
        tx.store.getAll(range, BATCH),
      ]);
      keys.forEach((key, i) => {
        const value = values[i];
        if (typeof value === 'string') all[key] = value;
      });
      const last = keys[BATCH - 1];
      if (last === undefined) return all;
      range = IDBKeyRange.lowerBound(last, true);
    }
  }

  async setMany(entries: Record<string, string | null>): Promise<void> {
    const tx = (await this.database()).transaction(TABLE, 'readwrite');
    try {
      for (const [key, value] of Object.entries(entries)) {
        const asked = value === null ? tx.store.delete(key) : tx.store.put(value, key);
        // The transaction says it for all of them.
        asked.catch(() => undefined);
      }
    } catch (error) {
      // What is refused before it is asked for leaves the transaction open: what stands before it must not be kept.
      tx.done.catch(() => undefined);
      tx.abort();
      throw error;
    }
    await tx.done;
  }

  async getMany(keys: string[]): Promise<Record<string, string | null>> {
    const tx = (await this.database()).transaction(TABLE);
    const values = await Promise.all(keys.map((key) => tx.store.get(key)));
    return Object.fromEntries(keys.map((key, i) => [key, values[i] ?? null]));
  }

  getAllKeys = async (): Promise<string[]> => (await this.database()).getAllKeys(TABLE);
  getItem = async (key: string): Promise<string | null> => (await this.getMany([key]))[key] ?? null;
  setItem = (key: string, value: string): Promise<void> => this.setMany({ [key]: value });
  removeItem = (key: string): Promise<void> => this.setMany({ [key]: null });
  removeMany = (keys: string[]): Promise<void> =>
    this.setMany(Object.fromEntries(keys.map((key) => [key, null])));
  clear = async (): Promise<void> => (await this.database()).clear(TABLE);
}

export const browserStorage = (): Storage & AsyncStorage => new CompletedStorage('zoarium');

/** Storage in memory, for tests and for a browser that refuses to store. */
export function memoryStorage(
  initial: Record<string, string | null> = {},
): Storage & { held: Map<string, string>; writes: number } {
  const held = new Map(Object.entries(initial).filter((e): e is [string, string] => e[1] !== null));
  return {
    held,
    writes: 0,
    entries: async () => Object.fromEntries(held),
    async setMany(batch) {
      this.writes++;
      for (const [k, v] of Object.entries(batch)) {
        if (v === null) held.delete(k);
        else held.set(k, v);
      }
    },
  };
}
