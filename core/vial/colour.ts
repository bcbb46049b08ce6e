/** Colours as light and as the eye sees them. sRGB after IEC 61966-2-1, CIELAB (CIE 1976, D65), CIEDE2000 after Sharma, Wu & Dalal 2005. */

export type Triple = readonly [number, number, number];

/** 8-bit sRGB to linear light, 0 to 1. Check: 255 -> 1, 128 -> 0.2159. */
export const linear = (v: number): number => {
  const c = v / 255;
  return c <= 0.04045 ? c / 12.92 : ((c + 0.055) / 1.055) ** 2.4;
};
/** The way back, not rounded. */
export const encoded = (light: number): number => {
  const c = Math.max(0, light);
  return 255 * (c <= 0.0031308 ? 12.92 * c : 1.055 * c ** (1 / 2.4) - 0.055);
};
export const toLinear = ([r, g, b]: Triple): Triple => [linear(r), linear(g), linear(b)];

const WHITE: Triple = [0.95047, 1, 1.08883];
const f = (t: number): number => (t > (6 / 29) ** 3 ? Math.cbrt(t) : t / (3 * (6 / 29) ** 2) + 4 / 29);

/** CIELAB of linear sRGB light. Check: [1, 1, 1] -> 100, 0, 0. */
export function labOf([r, g, b]: Triple): Triple {
  const x = 0.4124564 * r + 0.3575761 * g + 0.1804375 * b;
  const y = 0.2126729 * r + 0.7151522 * g + 0.072175 * b;
  const z = 0.0193339 * r + 0.119192 * g + 0.9503041 * b;
  const [fx, fy, fz] = [f(x / WHITE[0]), f(y / WHITE[1]), f(z / WHITE[2])];
  return [116 * fy - 16, 500 * (fx - fy), 200 * (fy - fz)];
}

const rad = (deg: number): number => (deg * Math.PI) / 180;
const hue = (a: number, b: number): number => {
  if (a === 0 && b === 0) return 0;
  const h = (Math.atan2(b, a) * 180) / Math.PI;
  return h < 0 ? h + 360 : h;
};

/** How different two colours look: about 1 is just seen. Source: Sharma, Wu & Dalal 2005, "The CIEDE2000 Color-Difference Formula". */
export function ciede2000([l1, a1, b1]: Triple, [l2, a2, b2]: Triple): number {
  const c7 = ((Math.hypot(a1, b1) + Math.hypot(a2, b2)) / 2) ** 7;
  const g = 0.5 * (1 - Math.sqrt(c7 / (c7 + 25 ** 7)));
  const [x1, x2] = [(1 + g) * a1, (1 + g) * a2];
  const [c1, c2] = [Math.hypot(x1, b1), Math.hypot(x2, b2)];
  const [h1, h2] = [hue(x1, b1), hue(x2, b2)];
  const grey = c1 * c2 === 0;
  const turn = h2 - h1;
  const dh = grey ? 0 : Math.abs(turn) <= 180 ? turn : turn > 180 ? turn - 360 : turn + 360;
  const dL = l2 - l1;
  const dC = c2 - c1;
  const dH = 2 * Math.sqrt(c1 * c2) * Math.sin(rad(dh / 2));
  const l = (l1 + l2) / 2;
  const c = (c1 + c2) / 2;
  const far = Math.abs(h1 - h2) > 180;
  const h = grey ? h1 + h2 : !far ? (h1 + h2) / 2 : h1 + h2 < 360 ? (h1 + h2 + 360) / 2 : (h1 + h2 - 360) / 2;
  const t =
    1 -
    0.17 * Math.cos(rad(h - 30)) +
    0.24 * Math.cos(rad(2 * h)) +
    0.32 * Math.cos(rad(3 * h + 6)) -
    0.2 * Math.cos(rad(4 * h - 63));
  const sL = 1 + (0.015 * (l - 50) ** 2) / Math.sqrt(20 + (l - 50) ** 2);
  const sC = 1 + 0.045 * c;
  const sH = 1 + 0.015 * c * t;
  const rC = 2 * Math.sqrt(c ** 7 / (c ** 7 + 25 ** 7));
  const rT = -Math.sin(rad(60 * Math.exp(-(((h - 275) / 25) ** 2)))) * rC;
  return Math.sqrt((dL / sL) ** 2 + (dC / sC) ** 2 + (dH / sH) ** 2 + rT * (dC / sC) * (dH / sH));
}
