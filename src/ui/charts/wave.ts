/** Wave path of the waterline over a width. */
export function wavePath(width: number, middle: number, amplitude: number, length: number): string {
  let d = `M0 ${middle}`;
  for (let x = 0; x < width; x += length) {
    d += ` q${length / 4} ${-amplitude * 2} ${length / 2} 0 t${length / 2} 0`;
  }
  return d;
}
