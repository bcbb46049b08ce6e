/** Ten thousand files that are damaged or meant to harm: never a fault of ours, never half of anything, an answer in words each time. */
import { strToU8, zipSync } from 'fflate';
import { guess, readTable } from '../core/csv';
import { STARTER_KITS, emptyDocument, type Document } from '../core/document';
import { readDocument, writeDocument } from '../core/document/checks';
import { seededRandom, type Random } from '../core/random';
import { provedHistory } from '../core/testing/history';
import { ArchiveError, archiveIn } from './archive';
import { TableError, tableIn } from './csv';

const doc: Document = (() => {
  const { doc: all } = provedHistory().animal(29, 'ocellaris-clownfish', 2);
  const samples = Object.fromEntries(Object.entries(all.samples).slice(0, 3));
  return {
    ...emptyDocument(),
    ...all,
    samples,
    kits: { ...all.kits, ...Object.fromEntries(STARTER_KITS.map((k) => [k.id, k])) },
  };
})();
const whole = writeDocument(doc);
const TABLE =
  'date;time;water;NO3 (mg/l);KH;Temp;note\n03.04.2026;20:15;t;5,0;8,1;25,2;"a; b"\n04.04.2026;;t;<0,05;7,9;25;\n';

const pick = <T>(random: Random, list: readonly T[]): T => list[Math.floor(random() * list.length)] as T;
const PIECES = [
  '"',
  "'",
  ';',
  ',',
  '\n',
  '\r',
  '\0',
  '{',
  '}',
  '[',
  ']',
  '\\',
  '\uFEFF',
  '\uD800',
  '=1+1',
  '../',
  '__proto__',
  'constructor',
  '1e999',
  '-0',
  'NaN',
  'null',
  '99999999999999999999',
  '\u202E',
  '"'.repeat(30),
  '['.repeat(400),
  '9'.repeat(400),
];

/** A text with some places cut out, doubled or overwritten. */
function damaged(text: string, random: Random): string {
  let out = text;
  for (let n = 1 + Math.floor(random() * 4); n > 0; n--) {
    const at = Math.floor(random() * (out.length + 1));
    const to = Math.min(out.length, at + Math.floor(random() * 12));
    const way = random();
    if (way < 0.4) out = out.slice(0, at) + pick(random, PIECES) + out.slice(to);
    else if (way < 0.6) out = out.slice(0, at) + out.slice(to);
    else if (way < 0.8) out = out.slice(0, at) + out.slice(at, to) + out.slice(at);
    else out = out.slice(0, at) + String.fromCharCode(Math.floor(random() * 0x2000)) + out.slice(at);
  }
  return out;
}

test('documents: read whole or refused in words', () => {
  const random = seededRandom(1);
  let refused = 0;
  for (let i = 0; i < 3000; i++) {
    const read = readDocument(damaged(whole, random));
    if (read.status === 'ok') {
      expect(Object.getPrototypeOf(read.document.samples)).toBe(Object.prototype);
      continue;
    }
    refused++;
    const words = read.status === 'invalid' ? read.faults.map((f) => f.message).join(' ') : read.message;
    expect(words.length).toBeGreaterThan(0);
    expect(words.length).toBeLessThan(2500);
  }
  expect(refused).toBeGreaterThan(1500);
  expect(({} as Record<string, unknown>).polluted).toBeUndefined();
});
test('tables: faults by line, doubts, or readings that stand in range', () => {
  const random = seededRandom(2);
  let taken = 0;
  for (let i = 0; i < 5000; i++) {
    const text = damaged(TABLE, random);
    try {
      const table = tableIn(text);
      const g = guess(table, doc);
      if (g.doubts.length > 0) continue;
      const { samples, faults } = readTable(table, g.mapping, doc, { zone: 'Europe/Lisbon' });
      for (const f of faults) expect(f.line).toBeGreaterThan(1);
      for (const s of samples) {
        taken++;
        expect(new Date(s.at).toISOString()).toBe(s.at);
        for (const r of s.readings) expect(JSON.stringify(r.value)).not.toContain('null');
      }
      // What came of it is a document still.
      if (i % 50 === 0 && faults.length === 0) {
        const next = { ...doc, samples: Object.fromEntries(samples.map((s) => [s.id, s])) };
        const kitsThere = samples.every((s) => s.readings.every((r) => Object.hasOwn(doc.kits, r.kitId)));
        if (kitsThere) expect(readDocument(writeDocument(next)).status).toBe('ok');
      }
    } catch (error) {
      if (!(error instanceof TableError)) throw new Error(`${JSON.stringify(text)}: ${String(error)}`);
    }
  }
  expect(taken).toBeGreaterThan(1000);
});
test('archives: the document or a sentence', () => {
  const random = seededRandom(3);
  const bytes = zipSync({ 'zoarium.json': strToU8(whole), 'readings.csv': strToU8(TABLE) });
  for (let i = 0; i < 2000; i++) {
    const hostile = bytes.slice(0, random() < 0.2 ? Math.floor(random() * bytes.length) : bytes.length);
    for (let n = 0; n < 3 && hostile.length > 0; n++)
      hostile[Math.floor(random() * hostile.length)] = Math.floor(random() * 256);
    try {
      archiveIn(hostile);
    } catch (error) {
      if (!(error instanceof ArchiveError)) throw error;
    }
  }
});
