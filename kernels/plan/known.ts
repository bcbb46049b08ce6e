/** Whether some batches go into the months, as it was found before: of what is alike in all that it hangs on, number by number, it is found once. What is asked
 *  less often gives way. */
import { at, keep, put, putU64, u64At } from './memory';

/** As many are kept. */
const SLOTS: i32 = 1 << 14;
/** An answer: what it hangs on, how many numbers that is, for how many there is room, and what was found. */
@unmanaged
class Answer {
  hash: u64;
  asked: usize;
  count: i32;
  room: i32;
  could: bool;
}

let answers: usize = 0;
const MOST: i32 = 512;
// What is asked.
const asked = memory.data(MOST * 8);
let count = 0;
let hash: u64 = 0;

export function begin(): void {
  answers = keep(<usize>SLOTS << 2);
  memory.fill(answers, 0, <usize>SLOTS << 2);
}

export function beginAsking(): void {
  count = 0;
  hash = 0x9e3779b97f4a7c15;
}

@inline
export function askBy(x: u64): void {
  putU64(asked, count++, x);
  hash = (hash ^ x) * 0xff51afd7ed558ccd;
  hash ^= hash >> 32;
}

function slot(): i32 {
  return <i32>(hash >> 20) & (SLOTS - 1);
}

export const UNKNOWN: i32 = -1;

/** What was found: 0 or 1, UNKNOWN where it was not asked, or long ago. */
export function known(): i32 {
  const answer = changetype<Answer>(at(answers, slot()));
  if (changetype<usize>(answer) == 0 || answer.hash != hash || answer.count != count) return UNKNOWN;
  for (let k = 0; k < count; k++) if (u64At(answer.asked, k) != u64At(asked, k)) return UNKNOWN;
  return answer.could ? 1 : 0;
}

/** Keeps what was found of what is asked. */
export function keepAnswer(could: bool): void {
  let answer = changetype<Answer>(at(answers, slot()));
  if (changetype<usize>(answer) == 0) {
    answer = changetype<Answer>(keep(offsetof<Answer>()));
    answer.room = 0;
    put(answers, slot(), changetype<usize>(answer));
  }
  if (answer.room < count) {
    answer.room = count + (count >> 1);
    answer.asked = keep(<usize>answer.room << 3);
  }
  for (let k = 0; k < count; k++) putU64(answer.asked, k, u64At(asked, k));
  answer.hash = hash;
  answer.count = count;
  answer.could = could;
}
