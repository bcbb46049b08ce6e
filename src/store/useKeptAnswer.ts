import { useEffect, useState } from 'react';
import { keptAnswer, type KeptAnswer } from './answers';

/** What this browser kept of the last forecast; undefined while it is looked up. */
export function useKeptAnswer(waterId: string) {
  const [kept, setKept] = useState<KeptAnswer | null>();
  useEffect(() => {
    let here = true;
    void keptAnswer(waterId).then((k) => {
      if (here) setKept(k);
    });
    return () => {
      here = false;
    };
  }, [waterId]);
  return [kept, setKept] as const;
}
