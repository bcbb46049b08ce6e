/** A fit rough enough for tests of everything but the fit. */
export const QUICK_FIT = { chains: 50, sweeps: 6, lastSweeps: 14, kept: 120, islands: [2, 2] } as const;
