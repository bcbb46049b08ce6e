/** Two devices' files made one: properties over random edits, and cases by hand. */
import fc from 'fast-check';
import {
  applyChanges,
  changesOf,
  COLLECTION_NAMES,
  type Document,
  type Edit,
  type Sample,
} from '../document';
import { editsToRemoveWater } from '../document/removal';
import { readDocument, writeDocument, type Revision } from '../document/checks';
import { documents } from '../testing/arbitraries';
import { merged, tombstoneId, type Versioned } from '.';

/** A device as the app keeps it: each edit is a revision, each deletion leaves a tombstone. */
class Device {
  private revisions: Map<string, Revision>;
  constructor(
    readonly name: string,
    private document: Document,
    revisions: ReadonlyMap<string, Revision> = new Map(),
  ) {
    this.revisions = new Map(revisions);
  }
  get file(): Versioned {
    return { document: this.document, revisions: this.revisions };
  }
  /** @param minute tells the moment, and the revision's name */
  edit(minute: number, edits: readonly Edit[]): this {
    const at = new Date(Date.UTC(2026, 4, 1, 0, minute)).toISOString();
    const dead: Edit[] = edits.flatMap((e): Edit[] => {
      if (!('remove' in e) || e.remove === 'tombstones') return [];
      const before = this.revisions.get(`${e.remove}/${e.id}`)?.revisions ?? [];
      const entity = {
        id: tombstoneId(e.remove, e.id),
        collection: e.remove,
        of: e.id,
        revision: before.join(' '),
        at,
      };
      return [{ put: 'tombstones', entity }];
    });
    for (const e of edits) {
      const key = 'put' in e ? `${e.put}/${e.entity.id}` : `${e.remove}/${e.id}`;
      const before = this.revisions.get(key)?.revisions ?? [];
      this.revisions.set(key, { revisions: [`${this.name}${minute}`, ...before].slice(0, 8), at });
    }
    this.document = applyChanges(this.document, changesOf(this.document, [...edits, ...dead]));
    return this;
  }
  copy(name: string): Device {
    return new Device(name, this.document, this.revisions);
  }
}

const textOf = (v: Versioned): string => writeDocument(v.document, v.revisions);
const samplesOf = (d: Device): Sample[] => Object.values(d.file.document.samples);

/** Random things done on a device. */
function act(device: Device, [what, pick, minute]: readonly [string, number, number]): void {
  const samples = samplesOf(device);
  const waters = Object.values(device.file.document.waters);
  const sample = samples[pick % Math.max(1, samples.length)];
  const water = waters[pick % Math.max(1, waters.length)];
  if (what === 'note' && sample)
    device.edit(minute, [{ put: 'samples', entity: { ...sample, note: `${device.name} ${minute}` } }]);
  if (what === 'delete' && sample) device.edit(minute, [{ remove: 'samples', id: sample.id }]);
  if (what === 'add' && sample)
    device.edit(minute, [{ put: 'samples', entity: { ...sample, id: `${device.name}-${minute}` } }]);
  if (what === 'rename' && water)
    device.edit(minute, [{ put: 'waters', entity: { ...water, name: `${device.name} ${minute}` } }]);
  if (what === 'drain' && water) device.edit(minute, editsToRemoveWater(device.file.document, water.id));
}

const acts = fc.array(
  fc.tuple(
    fc.constantFrom('note', 'note', 'delete', 'add', 'rename', 'drain'),
    fc.nat(20),
    fc.integer({ min: 1, max: 5000 }),
  ),
  { maxLength: 6 },
);

/** Two devices that began with one file and went their own ways. */
const twoDevices = fc.tuple(documents, acts, acts).map(([document, one, two]) => {
  const a = new Device('a', document).edit(
    0,
    Object.values(document.samples).map((entity) => ({ put: 'samples', entity })),
  );
  const b = a.copy('b');
  one.forEach((x) => act(a, x));
  two.forEach((x) => act(b, x));
  return [a.file, b.file] as const;
});

describe('two devices that went their own ways', () => {
  const holds = (check: (a: Versioned, b: Versioned) => void) =>
    fc.assert(
      fc.property(twoDevices, ([a, b]) => check(a, b)),
      { numRuns: 120, seed: 20261127 },
    );
  test('whichever is named first, the same comes of it', () =>
    holds((a, b) => {
      expect(textOf(merged(a, b))).toBe(textOf(merged(b, a)));
      expect(merged(a, b).conflicts).toEqual(merged(b, a).conflicts);
    }));
  test('the same again changes nothing: with itself, and with either once more', () =>
    holds((a, b) => {
      const both = merged(a, b);
      expect(textOf(merged(a, a))).toBe(textOf({ ...a, document: withoutStale(a.document) }));
      expect(merged(a, a).conflicts).toEqual([]);
      for (const again of [a, b, both]) expect(textOf(merged(both, again))).toBe(textOf(both));
    }));
  test('nothing is lost: whatever either holds stands, is a conflict, or was deleted', () =>
    holds((a, b) => {
      const both = merged(a, b);
      for (const name of COLLECTION_NAMES)
        for (const id of [...Object.keys(a.document[name]), ...Object.keys(b.document[name])])
          expect(
            name === 'tombstones' ||
              Object.hasOwn(both.document[name], id) ||
              Object.hasOwn(both.document.tombstones, tombstoneId(name, id)),
          ).toBe(true);
    }));
  test('what comes of it is a whole file', () =>
    holds((a, b) => expect(readDocument(textOf(merged(a, b))).status).toBe('ok')));
});

/** Of what stands no tombstone stays. */
function withoutStale(document: Document): Document {
  const tombstones = Object.fromEntries(
    Object.entries(document.tombstones).filter(([, t]) => !Object.hasOwn(document[t.collection], t.of)),
  );
  return { ...document, tombstones };
}

describe('by hand', () => {
  const base = () => {
    const [document] = fc.sample(
      documents.filter((d) => Object.keys(d.samples).length > 0),
      { numRuns: 1, seed: 7 },
    );
    const device = new Device('a', document!);
    device.edit(
      1,
      samplesOf(device).map((entity) => ({ put: 'samples', entity })),
    );
    return device;
  };
  const noted = (d: Device, minute: number, note: string) => {
    const [sample] = samplesOf(d);
    return d.edit(minute, [{ put: 'samples', entity: { ...sample!, note } }]);
  };
  const firstNote = (v: Versioned, id: string) => v.document.samples[id]?.note;

  test('edited on one device only: the edited one stands, and it is no conflict, however often it was edited', () => {
    const a = base();
    const b = a.copy('b');
    const id = samplesOf(a)[0]!.id;
    noted(noted(b, 2, 'once'), 3, 'twice');
    const both = merged(a.file, b.file);
    expect(firstNote(both, id)).toBe('twice');
    expect(both.conflicts).toEqual([]);
  });
  test('edited on both: the later stands, the other is shown beside it', () => {
    const a = base();
    const b = a.copy('b');
    const id = samplesOf(a)[0]!.id;
    noted(a, 9, 'later');
    noted(b, 4, 'earlier');
    const both = merged(a.file, b.file);
    expect(firstNote(both, id)).toBe('later');
    expect(both.conflicts).toMatchObject([
      { collection: 'samples', id, why: 'bothEdited', kept: { note: 'later' }, other: { note: 'earlier' } },
    ]);
  });
  test('deleted on one: gone, and another copy does not bring it back', () => {
    const a = base();
    const b = a.copy('b');
    const id = samplesOf(a)[0]!.id;
    a.edit(5, [{ remove: 'samples', id }]);
    const both = merged(a.file, b.file);
    expect(both.document.samples[id]).toBeUndefined();
    expect(both.conflicts).toEqual([]);
    expect(merged(both, b.file).document.samples[id]).toBeUndefined();
  });
  test.each([
    [5, 8, 'edited after'],
    [8, 5, null],
  ] as const)('deleted at %i, edited elsewhere at %i: what is later stands', (deleted, edited, note) => {
    const a = base();
    const b = a.copy('b');
    const id = samplesOf(a)[0]!.id;
    a.edit(deleted, [{ remove: 'samples', id }]);
    noted(b, edited, 'edited after');
    const both = merged(a.file, b.file);
    expect(firstNote(both, id) ?? null).toBe(note);
    expect(both.conflicts).toMatchObject([{ id, why: 'editedAndDeleted' }]);
  });
  test('a water deleted on one, logged in on the other: it comes back with what needs it', () => {
    const a = base();
    const b = a.copy('b');
    const [sample] = samplesOf(b);
    a.edit(5, editsToRemoveWater(a.file.document, sample!.waterId));
    b.edit(6, [{ put: 'samples', entity: { ...sample!, id: 'new' } }]);
    const both = merged(a.file, b.file);
    expect(both.document.samples.new).toBeTruthy();
    expect(both.document.waters[sample!.waterId]).toBeTruthy();
    expect(both.document.tombstones[tombstoneId('waters', sample!.waterId)]).toBeUndefined();
    expect(both.conflicts.some((c) => c.id === sample!.waterId && c.why === 'stillNeeded')).toBe(true);
  });
  test('files that say nothing of revisions: the one that was corrected stands; two that were not are a conflict', () => {
    const { document } = base().file;
    const [sample] = Object.values(document.samples);
    const plain = (more: Partial<Sample>): Versioned => ({
      document: { ...document, samples: { ...document.samples, [sample!.id]: { ...sample!, ...more } } },
      revisions: new Map(),
    });
    const old = plain({ note: 'old', editedAt: undefined });
    const corrected = plain({ note: 'new', editedAt: '2026-05-01T10:00:00.000Z' });
    expect(merged(old, corrected).conflicts).toEqual([]);
    expect(firstNote(merged(old, corrected), sample!.id)).toBe('new');
    const other = plain({ note: 'other', editedAt: '2026-05-02T10:00:00.000Z' });
    expect(merged(corrected, other).conflicts).toMatchObject([
      { kept: { note: 'other' }, other: { note: 'new' } },
    ]);
  });
});
