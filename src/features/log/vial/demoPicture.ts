/** The demo's photo: its made-up card and a vial under a warm lamp, drawn on the spot. */
import type { Card } from '../../../../core/document';
import { inPhoto, type Corners, type Point } from '../../../../core/vial';

const [WIDTH, HEIGHT] = [1200, 900];
const CORNERS: Corners = [
  [0.07, 0.2],
  [0.66, 0.13],
  [0.68, 0.84],
  [0.05, 0.78],
];
const VIAL = { x: 0.83, y: 0.5, wide: 0.11, high: 0.52 };
/** What the lamp leaves of red, green and blue, of 8-bit levels. */
const LAMP = [0.97, 0.88, 0.7] as const;
/** Where the vial's colour lies, in squares: between the fourth and the fifth. */
const AT = 3.4;

export async function demoPicture(card: Card): Promise<File> {
  const canvas = new OffscreenCanvas(WIDTH, HEIGHT);
  const c = canvas.getContext('2d')!;
  const lit = (rgb: readonly number[]): string => `rgb(${rgb.map((v, i) => v * LAMP[i]!).join(',')})`;
  const area = (points: readonly Point[], rgb: readonly number[]) => {
    c.fillStyle = lit(rgb);
    c.beginPath();
    for (const [x, y] of points) c.lineTo(x * WIDTH, y * HEIGHT);
    c.fill();
  };
  c.fillStyle = lit([122, 108, 92]);
  c.fillRect(0, 0, WIDTH, HEIGHT);
  area(CORNERS, [240, 238, 232]);
  for (const s of card.squares) {
    const [u, v] = s.place;
    const corner = (du: number, dv: number): Point => inPhoto(CORNERS, [u + du, v + dv]);
    const [half, tall] = [0.09, 0.15];
    area([corner(-half, -tall), corner(half, -tall), corner(half, tall), corner(-half, tall)], s.rgb);
    const [x, y] = corner(-half, tall + 0.08);
    c.fillStyle = '#3b3630';
    c.font = '26px sans-serif';
    c.fillText(String(s.value), x * WIDTH, y * HEIGHT);
  }
  const [a, b] = [card.squares[Math.floor(AT)]!, card.squares[Math.ceil(AT)]!];
  const colour = a.rgb.map((v, i) => v + (AT % 1) * (b.rgb[i]! - v));
  c.fillStyle = 'rgba(255,255,255,0.35)';
  c.fillRect(
    (VIAL.x - VIAL.wide / 2 - 0.01) * WIDTH,
    (VIAL.y - VIAL.high / 2 - 0.1) * HEIGHT,
    (VIAL.wide + 0.02) * WIDTH,
    (VIAL.high + 0.12) * HEIGHT,
  );
  c.fillStyle = lit(colour);
  c.fillRect(
    (VIAL.x - VIAL.wide / 2) * WIDTH,
    (VIAL.y - VIAL.high / 2) * HEIGHT,
    VIAL.wide * WIDTH,
    VIAL.high * HEIGHT,
  );
  return new File([await canvas.convertToBlob({ type: 'image/png' })], 'demo.png', { type: 'image/png' });
}
