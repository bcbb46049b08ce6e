/** Names beside marks of a drawing so that none lies on another: above, below, to the right or left; where nothing is free, none. */

export interface Mark {
  label: string;
  /** Px: its middle and half its width. */
  x: number;
  y: number;
  r: number;
}

export interface LabelSpot {
  x: number;
  /** Of the line the letters stand on. */
  y: number;
  anchor: 'start' | 'middle' | 'end';
}

interface Box {
  left: number;
  right: number;
  top: number;
  bottom: number;
}

/** Px of a bold letter of a drawing, and of a line. */
const LETTER = 8;
const ASCENT = 12;
const DESCENT = 4;
const GAP = 5;

/** A spot for each mark, in their order: the first ones choose first. Null where its name would lie on another name, on another mark or beyond the drawing.
 *  @param size px of the drawing
 *  @param besides what else stands in it */
export function labelSpots(
  marks: readonly Mark[],
  size: { width: number; height: number },
  besides: readonly Omit<Mark, 'label'>[] = [],
): (LabelSpot | null)[] {
  const taken: Box[] = [];
  return marks.map((mark) => {
    const others = [...marks.filter((m) => m !== mark), ...besides].map(discOf);
    const free = around(mark).find((spot) => {
      const box = boxOf(spot, mark.label);
      return isInside(box, size) && ![...others, ...taken].some((b) => overlaps(box, b));
    });
    if (free) taken.push(boxOf(free, mark.label));
    return free ?? null;
  });
}

const around = ({ x, y, r }: Mark): LabelSpot[] => [
  { x, y: y - r - GAP, anchor: 'middle' },
  { x, y: y + r + ASCENT, anchor: 'middle' },
  { x: x + r + GAP, y: y + GAP, anchor: 'start' },
  { x: x - r - GAP, y: y + GAP, anchor: 'end' },
];

function boxOf({ x, y, anchor }: LabelSpot, label: string): Box {
  const width = label.length * LETTER;
  const left = anchor === 'start' ? x : anchor === 'end' ? x - width : x - width / 2;
  return { left, right: left + width, top: y - ASCENT, bottom: y + DESCENT };
}

const discOf = ({ x, y, r }: Omit<Mark, 'label'>): Box => ({
  left: x - r,
  right: x + r,
  top: y - r,
  bottom: y + r,
});

const isInside = (box: Box, size: { width: number; height: number }): boolean =>
  box.left >= 0 && box.right <= size.width && box.top >= 0 && box.bottom <= size.height;

const overlaps = (a: Box, b: Box): boolean =>
  a.left < b.right && b.left < a.right && a.top < b.bottom && b.top < a.bottom;
