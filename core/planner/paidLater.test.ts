/** Plans that the months alone would pay, carried out as they can be paid for. */
import { type Random, seededRandom } from '../random';
import { household } from '../testing/longPlans';
import { after } from './after';
import { paidLater } from './paidLater';
import { payAlong } from './purchase';
import { prospectOf } from './prospects';
import { start } from './start';
import { type Label, LATE, pastOf, type Worth } from './label';
import { type World, worldOf } from './world';

/** One of those that could come, again and again. */
function somePlan(world: World, random: Random): Label {
  let label = start(world);
  for (;;) {
    const next = [...after(world, label, prospectOf(world, label), false, null)];
    if (next.length === 0) return label;
    label = next[Math.floor(random() * next.length)] as Label;
  }
}

test('the same events in their order, none sooner, within every month; and null where that is no better', () => {
  let later = 0;
  for (let seed = 1; seed <= 60; seed++) {
    const p = household(9, seed, 60);
    const months = worldOf(p, false, () => true, 'months');
    const plan = somePlan(months, seededRandom(seed));
    const every = worldOf(p, false, () => true, 'every');
    const none: Worth = { placed: plan.worth.placed.map(() => 0), last: LATE, batches: 0, sum: 0 };
    const paid = paidLater(every, plan, none);
    if (!paid) continue;
    const [before, now] = [pastOf(plan), pastOf(paid)];
    expect(now.map(({ batches }) => batches)).toEqual(before.map(({ batches }) => batches));
    now.forEach(({ day }, k) => expect(day).toBeGreaterThanOrEqual((before[k] as Label).day));
    for (const { spent } of paid.ways) for (const sum of spent) expect(sum).toBeLessThanOrEqual(60);
    // Later only where no choice of months pays for it as it stands.
    const isLater = paid.worth.sum > plan.worth.sum;
    expect([seed, isLater]).toEqual([seed, payAlong(months, plan) === null]);
    if (isLater) later++;
    expect(paidLater(every, plan, paid.worth)).toBeNull();
  }
  expect(later).toBeGreaterThan(3);
});
