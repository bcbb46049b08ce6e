import type { EntryForm } from '../../shell/form';
import type { readWalk, WalkTexts } from './walkForm';

/** The one form of the walk, as its questions get it. */
export type WalkForm = EntryForm<WalkTexts, ReturnType<typeof readWalk>>;
