import { useState } from 'react';
import type { LayoutChangeEvent } from 'react-native';

/** Width of the view the handler sits on; 0 until it is laid out. */
export function useWidth(): [number, (event: LayoutChangeEvent) => void] {
  const [width, setWidth] = useState(0);
  return [width, (event) => setWidth(Math.round(event.nativeEvent.layout.width))];
}
