/** Kits that print nitrogen as N to the microgram, so that a test can stand exactly on a threshold. */
import { STARTER_KITS, type Kit } from '../document';

export const PRECISE_KITS: readonly Kit[] = STARTER_KITS.map((kit) =>
  kit.scale.kind === 'steps'
    ? { ...kit, scale: { kind: 'number', resolution: 0.001 }, basis: 'N', readerShare: 0.001 }
    : { ...kit, readerShare: 0.0001 },
);
