import { createElement, type KeyboardEvent, type MouseEvent } from 'react';
import { View } from 'react-native';
import { useTheme } from './theme';
import { RADIUS } from './tokens';

/** A share of the picture's width and one of its height. */
export type SpotAt = readonly [number, number];
export interface Spot {
  key: string;
  label: string;
  /** Null until it was set. */
  at: SpotAt | null;
}

/** Arrow keys: so far in one press, and with shift. */
const [FINE, COARSE] = [0.004, 0.04];
const LOUPE = { side: 96, times: 6 };

/** A picture in which places are tapped, one after the other; the one in hand is seen enlarged and moves with the arrow keys too. */
export function SpotPad({
  src,
  alt,
  aspect,
  spots,
  active,
  marks = [],
  loupe = true,
  onPlace,
  onPick,
}: {
  src: string;
  alt: string;
  /** Width over height. */
  aspect: number;
  spots: readonly Spot[];
  /** The key of the one in hand. */
  active: string;
  /** Further places to be seen, not moved. */
  marks?: readonly SpotAt[];
  /** The surroundings of the one in hand enlarged. */
  loupe?: boolean;
  onPlace: (key: string, at: SpotAt) => void;
  onPick: (key: string) => void;
}) {
  const { roles } = useTheme();
  const inHand = spots.find((s) => s.key === active);
  const tapped = (event: MouseEvent<HTMLElement>) => {
    const box = event.currentTarget.getBoundingClientRect();
    onPlace(active, inside((event.clientX - box.left) / box.width, (event.clientY - box.top) / box.height));
  };
  const pressed = (spot: Spot) => (event: KeyboardEvent<HTMLElement>) => {
    const way = WAYS[event.key];
    if (!way) return;
    event.preventDefault();
    const by = event.shiftKey ? COARSE : FINE;
    const [x, y] = spot.at ?? [0.5, 0.5];
    onPlace(spot.key, inside(x + by * way[0], y + by * way[1]));
  };
  const ring = (at: SpotAt, size: number, colour: string): object => ({
    position: 'absolute',
    left: `${100 * at[0]}%`,
    top: `${100 * at[1]}%`,
    width: size,
    height: size,
    margin: `${-size / 2}px 0 0 ${-size / 2}px`,
    boxSizing: 'border-box',
    borderRadius: size,
    border: `2px solid ${colour}`,
    boxShadow: '0 0 0 2px #000a',
  });
  return (
    <View>
      {createElement(
        'div',
        {
          onClick: tapped,
          style: {
            position: 'relative',
            width: '100%',
            aspectRatio: String(aspect),
            cursor: 'crosshair',
            touchAction: 'manipulation',
          },
        },
        createElement('img', {
          src,
          alt,
          draggable: false,
          style: { width: '100%', height: '100%', display: 'block', borderRadius: RADIUS },
        }),
        marks.map((at, i) => createElement('span', { key: `mark ${i}`, style: ring(at, 14, '#fff') })),
        spots.map((s) =>
          createElement('button', {
            key: s.key,
            type: 'button',
            'aria-label': `${s.label}, ${s.at ? `${Math.round(100 * s.at[0])} % from the left, ${Math.round(100 * s.at[1])} % from the top` : 'not set'}`,
            'aria-pressed': s.key === active,
            onFocus: () => onPick(s.key),
            onKeyDown: pressed(s),
            style: {
              ...ring(s.at ?? [0.5, 0.5], s.key === active ? 26 : 18, s.key === active ? '#ffd24a' : '#fff'),
              padding: 0,
              background: 'transparent',
              // Taps go through to the picture: a second tap beside a ring moves the one in hand.
              pointerEvents: 'none',
              opacity: s.at ? 1 : 0,
            },
          }),
        ),
        loupe && inHand?.at
          ? createElement('span', {
              'aria-hidden': true,
              style: {
                ...loupeStyle(src, inHand.at, aspect),
                borderColor: roles.ground,
              },
            })
          : null,
      )}
    </View>
  );
}

/** The surroundings of a place enlarged, in the corner that is farthest from it. */
function loupeStyle(src: string, [x, y]: SpotAt, aspect: number): object {
  const { side, times } = LOUPE;
  // The enlarged picture is `times` as wide as what the loupe shows of it.
  const [width, height] = [side * times, (side * times) / aspect];
  return {
    position: 'absolute',
    [x < 0.5 ? 'right' : 'left']: 6,
    [y < 0.5 ? 'bottom' : 'top']: 6,
    width: side,
    height: side,
    boxSizing: 'border-box',
    borderRadius: side,
    border: '3px solid',
    pointerEvents: 'none',
    backgroundImage: `radial-gradient(circle, transparent 0 3px, #ffd24a 3px 4.5px, transparent 4.5px), url("${src}")`,
    backgroundSize: `100% 100%, ${width}px ${height}px`,
    backgroundPosition: `0 0, ${side / 2 - x * width}px ${side / 2 - y * height}px`,
    backgroundRepeat: 'no-repeat',
  };
}

const WAYS: Record<string, readonly [number, number] | undefined> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};
const inside = (x: number, y: number): SpotAt => [Math.min(1, Math.max(0, x)), Math.min(1, Math.max(0, y))];
