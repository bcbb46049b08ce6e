/** Where a search keeps what it makes. Nothing is given back one by one: what is laid down last can be taken back as a whole. */

/** Neither is so large that a day more would not fit. */
export const NONE: i32 = -(1 << 30);
export const LATE: i32 = (1 << 30) - 1;
/** Sums and products are compared with this much slack: core/planner/problem.ts. */
export const SLACK: f64 = 1e-6;

const CHUNK: usize = 1 << 18;
const PAGE: usize = 1 << 16;

let next: usize = 0;

function chunk(bytes: usize): usize {
  if (next == 0) next = (__heap_base + 15) & ~15;
  const at = next;
  next += bytes;
  const wanted = <i32>((next + PAGE - 1) / PAGE) - memory.size();
  if (wanted > 0 && memory.grow(max(wanted, 64)) < 0) unreachable();
  return at;
}

let keepAt: usize = 0;
let keepEnd: usize = 0;
let layAt: usize = 0;
let layEnd: usize = 0;

/** Room that stays. */
export function keep(bytes: usize): usize {
  const size = (bytes + 7) & ~7;
  if (keepAt + size > keepEnd) {
    const room = max(CHUNK, size);
    keepAt = chunk(room);
    keepEnd = keepAt + room;
  }
  const at = keepAt;
  keepAt += size;
  return at;
}

/** Room that may be taken back. */
export function lay(bytes: usize): usize {
  const size = (bytes + 7) & ~7;
  if (layAt + size > layEnd) {
    const room = max(CHUNK, size);
    layAt = chunk(room);
    layEnd = layAt + room;
  }
  const at = layAt;
  layAt += size;
  return at;
}

export function mark(): usize {
  return layAt;
}

/** Takes back what was laid down since a mark. What has gone over into another chunk stays. */
export function takeBack(to: usize): void {
  if (to <= layAt && to + CHUNK > layEnd && to >= layEnd - CHUNK) layAt = to;
}

export function bytesInUse(): usize {
  return next;
}

/** Numbers of four bytes: of so few that the engine's own copy costs more than it copies. */
export function copyI32(to: usize, from: usize, count: i32): void {
  for (let k = 0; k < count; k++) putI32(to, k, i32At(from, k));
}

/** The same of eight bytes. */
export function copyF64(to: usize, from: usize, count: i32): void {
  for (let k = 0; k < count; k++) putU64(to, k, u64At(from, k));
}

@inline
export function i32At(p: usize, k: i32): i32 {
  return load<i32>(p + ((<usize>k) << 2));
}

@inline
export function putI32(p: usize, k: i32, value: i32): void {
  store<i32>(p + ((<usize>k) << 2), value);
}

@inline
export function f64At(p: usize, k: i32): f64 {
  return load<f64>(p + ((<usize>k) << 3));
}

@inline
export function putF64(p: usize, k: i32, value: f64): void {
  store<f64>(p + ((<usize>k) << 3), value);
}

@inline
export function u64At(p: usize, k: i32): u64 {
  return load<u64>(p + ((<usize>k) << 3));
}

@inline
export function putU64(p: usize, k: i32, value: u64): void {
  store<u64>(p + ((<usize>k) << 3), value);
}

@inline
export function at(p: usize, k: i32): usize {
  return load<usize>(p + ((<usize>k) << 2));
}

@inline
export function put(p: usize, k: i32, value: usize): void {
  store<usize>(p + ((<usize>k) << 2), value);
}
