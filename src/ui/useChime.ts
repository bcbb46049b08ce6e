import { useEffect, useRef } from 'react';
import { chime } from './chime';

/** A sound when something comes to pass while the page is open: not for what was so already. @param count of times it has */
export function useChime(count: number): void {
  const heard = useRef(count);
  useEffect(() => {
    if (count > heard.current) chime();
    heard.current = count;
  }, [count]);
}
