/** Steps from one version of the document to the next, newest last; never edited after release. None yet: version 1 is the first. */
import { VERSION } from './schema';

export interface Migration {
  /** The version this step starts from. */
  from: number;
  reason: string;
  up: (file: unknown) => unknown;
}

export const MIGRATIONS: readonly Migration[] = [];

MIGRATIONS.forEach((m, i) => {
  if (m.from !== i + 1) throw new Error(`migration ${i} must start from version ${i + 1}, got ${m.from}`);
});
if (MIGRATIONS.length !== VERSION - 1) throw new Error(`version ${VERSION} needs ${VERSION - 1} migrations, got ${MIGRATIONS.length}`);
