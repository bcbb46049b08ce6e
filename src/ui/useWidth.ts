import { startTransition, useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** Width of the view the handler sits on; 0 until it is laid out. A drawing follows its width in slices: it is the largest piece of a page. */
export function useWidth(): [number, (event: LayoutChangeEvent) => void] {
  const [width, setWidth] = useState(0);
  return [
    width,
    (event) => {
      const laidOut = Math.round(event.nativeEvent.layout.width);
      startTransition(() => setWidth(laidOut));
    },
  ];
}
