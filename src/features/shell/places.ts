import type { WaterKind } from '../../../core/document';

/** The five places and how they stand in the address. */
const PLACES = [
  { id: 'today', label: 'Today', path: '', key: 't' },
  { id: 'log', label: 'Log', path: '/log', key: 'l' },
  { id: 'cycle', label: 'Cycle', path: '/cycle', key: 'c' },
  { id: 'stock', label: 'Stock', path: '/stock', key: 's' },
  { id: 'bench', label: 'Bench', path: '/bench', key: 'b' },
] as const;

/** A water that serves a display has no cycle of its own. */
export const placesOf = (kind: WaterKind) => PLACES.filter((p) => kind === 'display' || p.id !== 'cycle');

/** Water id in a path such as "/water/north-window/log". "new" is no water. */
export function waterIdOf(path: string): string | null {
  const [, head, id] = path.split('/');
  return head === 'water' && id && id !== 'new' ? decodeURIComponent(id) : null;
}

/** Which place a path belongs to, "/" being today; null outside the five. */
export function placeOf(path: string): string | null {
  const [, head, id, place] = path.split('/');
  if (!head) return 'today';
  if (head === 'bench') return 'bench';
  if (head !== 'water' || !id || id === 'new') return null;
  if (!place) return 'today';
  if (place === 'drip' || place === 'photos') return 'stock';
  if (place === 'setup' || place === 'equipment') return 'bench';
  return PLACES.find((p) => p.path === `/${place}`)?.id ?? null;
}
