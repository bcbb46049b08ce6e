import type { Document } from '../../../core/document';
import { sharedCode } from './sharedCode';
import { demoShown, localDay, makeStore, openStore, practiceRun } from '../../store';

/** The demo, or the practice tank as it begins, where this tab shows it; loaded only then. */
async function demoIfShown(): Promise<Document | null> {
  const run = practiceRun();
  if (run) {
    const { begun } = await sharedCode().then(() => import('../../store/practice'));
    return begun(run);
  }
  if (!demoShown()) return null;
  const { makeDemo } = await import('../../store/demo');
  return makeDemo(Date.now(), localDay);
}

let stood = false;
/** Whether the first picture is committed. */
export const pictureStood = (): boolean => stood;
/** Called by the root once it is. */
export let pictureStands = (): void => undefined;
const picture = new Promise<void>((done) => {
  pictureStands = () => {
    stood = true;
    done();
  };
});

/** Called where what comes later is wanted now: a screen was opened. */
export let hurry = (): void => undefined;
const hurried = new Promise<void>((done) => {
  hurry = done;
});

/** The first picture is looked at and touched before anything else is done. */
const QUIET_MS = 500;
const after = (ms: number): Promise<void> => new Promise((done) => setTimeout(done, ms));

/** Resolves when the first picture has stood for a moment and the page has nothing better to do, or at once where that is wanted. */
const idle = async (): Promise<void> => {
  await picture;
  await Promise.race([after(QUIET_MS).then(nothingBetter), hurried]);
  await after(0);
};

function nothingBetter(): Promise<void> {
  if (typeof requestIdleCallback !== 'function') return after(50);
  return new Promise((done) => requestIdleCallback(() => done(), { timeout: 1000 }));
}

/** The one store of the page, already being filled. Failures show in its status. */
export const started = makeStore();
const opening = openStore(started, demoIfShown, idle);
let there = false;
/** Whether the document can be shown, or its opening has failed. */
export const isOpened = (): boolean => there;
/** Resolved when it is; never rejected. */
export const opened: Promise<void> = opening.then(() => {
  there = true;
});
/** Resolved when half-done entries have been read. */
export const draftsRead: Promise<void> = opening.then((o) => o.draftsRead);
/** Resolved when everything stored has been checked as well. */
export const whole: Promise<void> = opening.then((o) => o.whole);
