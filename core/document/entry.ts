/** One entity of any version, unchecked, with the place it was read from, which it keeps through every step. */
export interface Entry {
  collection: string;
  entity: unknown;
  /** "samples[3]" of a file, the key of a storage; empty for what a step adds. */
  from: string;
}
