import type { Edit, School, Tank } from '../../../core/document';
import { isoOf, newId } from '../../store';

/** The entry that a change of school leaves in the log; none when it stays. */
export const schoolChange = (tank: Tank, to: School): Edit[] =>
  tank.school === to
    ? []
    : [
        {
          put: 'events',
          entity: {
            id: newId(),
            tankId: tank.id,
            at: isoOf(Date.now()),
            note: '',
            kind: 'schoolChanged',
            from: tank.school,
            to,
          },
        },
      ];
