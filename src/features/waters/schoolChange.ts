import type { Edit, School, Display } from '../../../core/document';
import { isoOf, newId } from '../../store';

/** The entry that a change of school leaves in the log; none when it stays. */
export const schoolChange = (water: Display, to: School): Edit[] =>
  water.school === to
    ? []
    : [
        {
          put: 'events',
          entity: {
            id: newId(),
            waterId: water.id,
            at: isoOf(Date.now()),
            note: '',
            kind: 'schoolChanged',
            from: water.school,
            to,
          },
        },
      ];
