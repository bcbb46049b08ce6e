import { screen, waitFor } from '@testing-library/react';
import { stockingPlan } from '../../../core/planner';
import type { PlanAsk } from '../../workers/messages';
import { allText, demo, onScreen, says, tick } from '../shell/testing';
import { PlanScreen } from './PlanScreen';

/** The planner, without a thread of its own. */
class Planner {
  onmessage: ((event: { data: unknown }) => void) | null = null;
  onerror = null;
  postMessage({ problem }: PlanAsk) {
    setTimeout(() => this.onmessage?.({ data: { plan: stockingPlan(problem, () => true) } }), 0);
  }
  terminate() {
    this.onmessage = null;
  }
}
beforeAll(() => Object.assign(globalThis, { Worker: Planner }));
const show = (doc = demo(), waterId = 'north-window') =>
  onScreen(<PlanScreen />, { doc, params: { waterId } });

test('who is in quarantine is released first, the wish follows when it is free, and why', async () => {
  show();
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  expect(says('It waits for the days its quarantine must be seen clear.')).toBe(true);
  expect(says(/It waits for a free quarantine/)).toBe(true);
  expect(says(/^Toadstool leather: No quarantine of its line/)).toBe(true);
  expect(
    screen.getByRole('img', { name: /^Batches over time\. 2 × Banggai cardinalfish: bought/ }),
  ).toBeTruthy();
  expect(allText()).not.toMatch(/NaN|undefined|Infinity/);
});
test('corals without a quarantine of their own are an accepted risk', async () => {
  show();
  await waitFor(() => expect(says(/^2 of 4 in by /)).toBe(true));
  tick(/^Cleaners and corals without a quarantine/);
  await waitFor(() => expect(says(/^All in by /)).toBe(true));
});
test('a kind too big for the glass is no question of days; without wishes the way to them is shown', async () => {
  const doc = demo();
  const [first] = Object.values(doc.animals).filter((a) => a.moves.at(-1)?.to.kind === 'wish');
  doc.animals[first!.id] = { ...first!, speciesId: 'yellow-tang' };
  show(doc);
  await waitFor(() => expect(says(/wants 450 L: no plan makes the glass larger/)).toBe(true));
  document.body.innerHTML = '';
  show(demo(), 'pantry-cube');
  await waitFor(() => expect(says('Nothing wished for')).toBe(true));
});
