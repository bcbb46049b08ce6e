/** Who is in one quarantine for weeks: what a display lets two get away from, a small bare water does not. */
import { finding, type Finding } from './finding';
import type { Member, Tank } from './member';
import { ofTwo } from './pairs';

/** Who does it to whom. */
interface Harm {
  by: Member;
  to: Member;
  eats: boolean;
}

/** Of those who are to be in one quarantine together, such as need a divider, or a stay each: said once of each who does the harm.
 *  @param glass of the quarantine */
export function ofTheStay(glass: Tank, members: readonly Member[]): Finding[] {
  const harms = members.flatMap((a, i) =>
    members.slice(i + 1).flatMap((b) => (a.species.id === b.species.id ? [] : harmOf(glass, a, b))),
  );
  const keyOf = ({ by, eats }: Harm) => `${by.id} ${eats}`;
  return [...new Set(harms.map(keyOf))].map((key) => {
    const these = harms.filter((h) => keyOf(h) === key) as [Harm, ...Harm[]];
    const [{ by, eats }] = these;
    const others = [...new Set(these.map(({ to }) => to.species.common))];
    const ids = [by.id, ...these.map(({ to }) => to.id)];
    return finding(ids, { code: 'stayTogether', name: by.species.common, others, eats });
  });
}

function harmOf(glass: Tank, a: Member, b: Member): Harm[] {
  const found = ofTwo(glass, a, b);
  const eater = found.find(({ says }) => says.code === 'eats');
  if (eater) {
    const [by, to] = eater.ids[0] === a.id ? [a, b] : [b, a];
    return [{ by, to, eats: true }];
  }
  const isRival = found.some(
    ({ says, severity }) => severity === 'no' && (says.code === 'rival' || says.code === 'sameGenus'),
  );
  const isBold = (m: Member) => m.species.temperament === 'territorial';
  const isBullied = (isBold(a) || isBold(b)) && [a, b].every((m) => m.species.group === 'fish');
  const [by, to] = isBold(b) && !isBold(a) ? [b, a] : [a, b];
  return isRival || isBullied ? [{ by, to, eats: false }] : [];
}
