import type { AgendaItem } from '../../../core/agenda';
import { mayWaitClosed, urgent } from './reminders';

const item = (code: 'dose' | 'tests' | 'actNow', canWait = false): AgendaItem =>
  ({
    key: code,
    uid: code,
    waterId: 't',
    day: '2026-05-01',
    says: { code },
    canWait,
    dailyUntil: null,
  }) as unknown as AgendaItem;

test('a closed app never asks for a dose of ammonia: somebody may live in the water since; all else that is urgent is left for it', () => {
  const left = urgent([item('actNow'), item('dose'), item('tests'), item('tests', true)]).filter(
    mayWaitClosed,
  );
  expect(left.map((i) => i.says.code)).toEqual(['actNow', 'tests']);
});
