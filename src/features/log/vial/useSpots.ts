import { useState } from 'react';
import { NO_PICTURE } from '../../shell/photos';
import { scalePhoto } from '../../../workers';
import type { Corners } from '../../../../core/vial';
import type { Spot, SpotAt } from '../../../ui/SpotPad';

export interface Asked {
  key: string;
  label: string;
}

export const CORNERS: readonly Asked[] = [
  { key: 'c0', label: 'Upper left corner of the card' },
  { key: 'c1', label: 'Upper right corner of the card' },
  { key: 'c2', label: 'Lower right corner of the card' },
  { key: 'c3', label: 'Lower left corner of the card' },
];

/** Places tapped one after the other: the next that is not set comes into hand by itself. */
export function useSpots(asked: readonly Asked[]) {
  const [places, setPlaces] = useState<Readonly<Record<string, SpotAt>>>({});
  const [active, setActive] = useState(asked[0]?.key ?? '');
  const place = (key: string, at: SpotAt, byKey = false) => {
    const first = !places[key];
    setPlaces({ ...places, [key]: at });
    const next = asked.find((a) => a.key !== key && !places[a.key]);
    if (first && next && !byKey) setActive(next.key);
  };
  const spots: Spot[] = asked.map((a) => ({ ...a, at: places[a.key] ?? null }));
  const corners = CORNERS.map((c) => places[c.key]);
  return {
    spots,
    active: asked.some((a) => a.key === active) ? active : (asked[0]?.key ?? ''),
    place,
    pick: setActive,
    at: (key: string): SpotAt | null => places[key] ?? null,
    /** Null until all four are set. */
    corners: corners.every((c) => c !== undefined) ? (corners as unknown as Corners) : null,
    /** The first that is still to be tapped. */
    missing: asked.find((a) => !places[a.key]),
    restart: () => {
      setPlaces({});
      setActive(asked[0]?.key ?? '');
    },
  };
}

export interface Picked {
  file: File;
  url: string;
  aspect: number;
}

/** A picture in hand, not kept. */
export function usePicked() {
  const [picked, setPicked] = useState<Picked | null>(null);
  return {
    picked,
    drop: () => setPicked(null),
    take: async (file: File): Promise<string | null> => {
      const scaled = await scalePhoto(file);
      if (!scaled) return NO_PICTURE;
      setPicked({ file, url: scaled.whole, aspect: scaled.width / scaled.height });
      return null;
    },
  };
}
