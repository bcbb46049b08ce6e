import { emptyDocument } from '../../core/document';
import { History, START_MS } from '../../core/testing/history';
import { MINUTE_MS } from '../../core/time';
import { documentOpened } from './documentSlice';
import { selectAssessment, selectEvidence } from './hooks';
import { memoryStorage } from './storage';
import { makeStore } from './store';

const opened = () => {
  const { store } = makeStore(memoryStorage(), { post: () => undefined, listen: () => undefined });
  const document = { ...emptyDocument(), ...new History().water(1).doc };
  store.dispatch(documentOpened({ document, aside: [] }));
  return store;
};

test('within a minute, and for a few tanks at once, evidence is worked out once', () => {
  const state = opened().getState();
  const first = selectEvidence(state, 't', START_MS);
  expect(selectEvidence(state, 't', START_MS + 1)).toBe(first);
  expect(selectEvidence(state, 't', START_MS + MINUTE_MS)).not.toBe(first);
  expect(selectEvidence(state, 't', START_MS)).toBe(first);
});
test('minutes gone by are let go, so that an idle day does not grow', () => {
  const state = opened().getState();
  const first = selectEvidence(state, 't', START_MS);
  const judged = selectAssessment(state, 't', START_MS);
  for (let minute = 1; minute <= 20; minute++) selectAssessment(state, 't', START_MS + minute * MINUTE_MS);
  expect(selectEvidence(state, 't', START_MS)).not.toBe(first);
  expect(selectAssessment(state, 't', START_MS)).not.toBe(judged);
  expect(selectAssessment(state, 't', START_MS)).toEqual(judged);
});
