/** Keys of checkboxes and radios, as browsers have them: Space toggles, arrows go round a group. The kit below answers Enter alone. */
import type { View } from 'react-native';

type KeyProps = { onKeyDown: (event: KeyPress) => void };
interface KeyPress {
  key: string;
  preventDefault: () => void;
}

/** Props for a view that hears the keys pressed inside it; `handle` says whether the key was its own. */
export const onKey = (handle: (key: string) => boolean): KeyProps => ({
  onKeyDown: (event) => {
    if (handle(event.key)) event.preventDefault();
  },
});

/** Where an arrow leads from one of `count` radios, round both ends; null for any other key. */
export function radioAfter(key: string, from: number, count: number): number | null {
  if (count === 0) return null;
  if (key === 'ArrowRight' || key === 'ArrowDown') return (from + 1) % count;
  if (key === 'ArrowLeft' || key === 'ArrowUp') return (from - 1 + count) % count;
  return null;
}

/** The radios of a group in the page. */
export const radiosOf = (group: View | null): HTMLElement[] =>
  group ? Array.from((group as unknown as HTMLElement).querySelectorAll<HTMLElement>('[role=radio]')) : [];

/** Which radio of a group has the focus; null for none. */
export function focusedRadio(group: View | null): number | null {
  const at = radiosOf(group).findIndex((radio) => radio === document.activeElement);
  return at < 0 ? null : at;
}
