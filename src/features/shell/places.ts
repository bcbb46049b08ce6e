/** The five places and how they stand in the address. */
export const PLACES = [
  { id: 'today', label: 'Today', path: '', key: 't' },
  { id: 'log', label: 'Log', path: '/log', key: 'l' },
  { id: 'cycle', label: 'Cycle', path: '/cycle', key: 'c' },
  { id: 'stock', label: 'Stock', path: '/stock', key: 's' },
  { id: 'bench', label: 'Bench', path: '/bench', key: 'b' },
] as const;

/** Tank id in a path such as "/tank/north-window/log". "new" is no tank. */
export function tankIdOf(path: string): string | null {
  const [, head, id] = path.split('/');
  return head === 'tank' && id && id !== 'new' ? decodeURIComponent(id) : null;
}

/** Which place a path belongs to, "/" being today; null outside the five. */
export function placeOf(path: string): string | null {
  const [, head, id, place] = path.split('/');
  if (!head) return 'today';
  if (head === 'bench') return 'bench';
  if (head !== 'tank' || !id || id === 'new') return null;
  if (!place) return 'today';
  if (place === 'quarantine' || place === 'drip') return 'stock';
  if (place === 'setup' || place === 'equipment') return 'bench';
  return PLACES.find((p) => p.path === `/${place}`)?.id ?? null;
}
