/** The browser's storage as the store sees it: AsyncStorage's interface and its database, with what the package cannot do added.
 *  Everything is read in one go; what is removed and what is added are one transaction; and a write is done when the transaction has
 *  completed, not before. */
import type { AsyncStorage } from '@react-native-async-storage/async-storage';
import { openDB, type DBSchema, type IDBPDatabase } from 'idb';
import { databaseName } from './whose';

export interface Storage {
  /** What stands at some keys; null where nothing does. */
  getMany(keys: string[]): Promise<Texts>;
  /** All there is at the keys of a span. Rejects only when the storage itself does. */
  entries(span: Span): Promise<Map<string, string>>;
  /** All or nothing; a null removes. Resolves once the transaction has completed. */
  setMany(entries: Record<string, string | null>): Promise<void>;
  /** Reads some keys and writes, in the same transaction, what follows from what stands there. Resolves once it has completed. */
  transact(keys: readonly string[], decide: Decide): Promise<void>;
  /** Calls when the browser has thrown away what was stored, while the page is open. */
  onLost(tell: () => void): void;
}

/** Keys from one on, below another, in their order; no bound where none is given. */
export interface Span {
  from?: string;
  below?: string;
}

type Texts = Record<string, string | null>;
type Decide = (stored: Texts) => Texts;

/** The package's own database: what it wrote is read here, and the other way round. */
const TABLE = 'entries';
interface Database extends DBSchema {
  [TABLE]: { key: string; value: string | null };
}

/** As many entries as are handed over at once: a long history must not come or go as one long task. */
const BATCH = 500;
/** So many at once where each is asked for by itself, too. An entry of a person's is written whole at once: the page may be on its way out. */
const BY_ITSELF = 500;

class CompletedStorage implements AsyncStorage, Storage {
  private open: Promise<IDBPDatabase<Database>> | null = null;
  private tellLost: () => void = () => undefined;

  constructor(private readonly name: string) {}

  private database(): Promise<IDBPDatabase<Database>> {
    this.open ??= openDB<Database>(this.name, 1, {
      upgrade: (db) => void db.createObjectStore(TABLE),
      terminated: () => {
        this.open = null;
        this.tellLost();
      },
    });
    // A browser that refused once may be asked again.
    this.open.catch(() => (this.open = null));
    return this.open;
  }

  onLost(tell: () => void): void {
    this.tellLost = tell;
  }

  async entries({ from, below }: Span): Promise<Map<string, string>> {
    const tx = (await this.database()).transaction(TABLE);
    const all = new Map<string, string>();
    let range = rangeOf(from, false, below);
    for (;;) {
      const [keys, values] = await Promise.all([
        tx.store.getAllKeys(range, BATCH),
        tx.store.getAll(range, BATCH),
      ]);
      keys.forEach((key, i) => {
        const value = values[i];
        if (typeof value === 'string') all.set(key, value);
      });
      const last = keys[BATCH - 1];
      if (last === undefined) return all;
      range = rangeOf(last, true, below);
    }
  }

  setMany = (entries: Texts): Promise<void> => this.transact([], () => entries);

  async transact(keys: readonly string[], decide: Decide): Promise<void> {
    const tx = (await this.database()).transaction(TABLE, 'readwrite');
    try {
      const stored = await valuesAt(tx.store, keys);
      let asked: Promise<unknown> = Promise.resolve();
      for (const [i, [key, value]] of Object.entries(decide(stored)).entries()) {
        if (i > 0 && i % BY_ITSELF === 0) await asked;
        asked = value === null ? tx.store.delete(key) : tx.store.put(value, key);
        // The transaction says it for all of them.
        asked.catch(() => undefined);
      }
      // Now, not after a word from each.
      tx.commit();
    } catch (error) {
      // What is refused before it is asked for leaves the transaction open: what stands before it must not be kept.
      tx.done.catch(() => undefined);
      abort(tx);
      throw error;
    }
    await tx.done;
  }

  async getMany(keys: string[]): Promise<Texts> {
    return valuesAt((await this.database()).transaction(TABLE).store, keys);
  }

  getAllKeys = async (): Promise<string[]> => (await this.database()).getAllKeys(TABLE);
  getItem = async (key: string): Promise<string | null> => (await this.getMany([key]))[key] ?? null;
  setItem = (key: string, value: string): Promise<void> => this.setMany({ [key]: value });
  removeItem = (key: string): Promise<void> => this.setMany({ [key]: null });
  removeMany = (keys: string[]): Promise<void> =>
    this.setMany(Object.fromEntries(keys.map((key) => [key, null])));
  clear = async (): Promise<void> => (await this.database()).clear(TABLE);
}

function rangeOf(
  from: string | undefined,
  after: boolean,
  below: string | undefined,
): IDBKeyRange | undefined {
  if (from !== undefined && below !== undefined) return IDBKeyRange.bound(from, below, after, true);
  if (from !== undefined) return IDBKeyRange.lowerBound(from, after);
  return below === undefined ? undefined : IDBKeyRange.upperBound(below, true);
}

async function valuesAt(
  store: { get(key: string): Promise<string | null | undefined> },
  keys: readonly string[],
): Promise<Texts> {
  const texts: Texts = {};
  for (let from = 0; from < keys.length; from += BY_ITSELF) {
    const batch = keys.slice(from, from + BY_ITSELF);
    const values = await Promise.all(batch.map((key) => store.get(key)));
    batch.forEach((key, i) => (texts[key] = values[i] ?? null));
  }
  return texts;
}

/** Ends a transaction that may have ended by itself. */
function abort(tx: { abort: () => void }): void {
  try {
    tx.abort();
  } catch {
    // It has.
  }
}

export const browserStorage = (): Storage & AsyncStorage => new CompletedStorage(databaseName());
/** What can be worked out again: a database of its own, read only by the screens that show it. */
export const answersStorage = (): Storage => new CompletedStorage(`${databaseName()}-answers`);

/** Pictures: as large as all else together, and read one by one. */
export const photosStorage = (): Storage => new CompletedStorage(`${databaseName()}-photos`);

/** A storage that can be given up for another, as for one in memory where the browser keeps nothing. */
export interface Replaceable extends Storage {
  replaceBy(next: Storage): void;
}

export function replaceable(first: Storage): Replaceable {
  let now = first;
  return {
    entries: (span) => now.entries(span),
    getMany: (keys) => now.getMany(keys),
    setMany: (entries) => now.setMany(entries),
    transact: (keys, decide) => now.transact(keys, decide),
    onLost: (tell) => now.onLost(tell),
    replaceBy: (next) => void (now = next),
  };
}

/** Storage in memory, for tests and for a browser that refuses to store. */
export function memoryStorage(
  initial: Record<string, string | null> = {},
): Storage & { held: Map<string, string>; writes: number } {
  const held = new Map(Object.entries(initial).filter((e): e is [string, string] => e[1] !== null));
  const memory = {
    held,
    writes: 0,
    entries: async ({ from = '', below }: Span) =>
      new Map([...held].filter(([key]) => key >= from && (below === undefined || key < below))),
    getMany: async (keys: string[]) => Object.fromEntries(keys.map((key) => [key, held.get(key) ?? null])),
    onLost: () => undefined,
    setMany: (batch: Texts) => memory.transact([], () => batch),
    async transact(keys: readonly string[], decide: Decide) {
      const batch = decide(Object.fromEntries(keys.map((key) => [key, held.get(key) ?? null])));
      memory.writes++;
      for (const [key, value] of Object.entries(batch)) {
        if (value === null) held.delete(key);
        else held.set(key, value);
      }
    },
  };
  return memory;
}
