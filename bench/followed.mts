/** Plans that are followed day after day: how often a date moved, and how often a door asked for a reason. `tsx bench/followed.mts [HOUSEHOLDS [DAYS]]` */
import { follow } from '../core/testing/follower';
import { drawnHousehold } from '../core/testing/households';
import { DAY, START_MS } from '../core/testing/history';

const [households = 20, days = 200] = process.argv.slice(2).map(Number);
let unmoved = 0;
let moves = 0;
let long = 0;
const doors: string[] = [];
for (let seed = 1; seed <= households; seed++) {
  const { moved, risks } = follow(drawnHousehold(seed), START_MS + 30 * DAY, days);
  const dated = moved.filter((m) => m.most !== null || m.lost.length + m.gained.length > 0);
  if (dated.length === 0) unmoved++;
  moves += dated.length;
  long += dated.filter((m) => m.most !== null && Math.abs(m.most.days) > 7).length;
  doors.push(...risks.map((r) => r.code).filter((code) => code !== 'riskNoQuarantine'));
  for (const m of dated) console.log(`${seed}: ${JSON.stringify(m)}`);
}
console.log(
  `${households} households for ${days} days: in ${unmoved} no date moved; ${moves} moves, ${long} of more than a week`,
);
console.log(`  doors that asked for a reason: ${doors.length} ${[...new Set(doors)].join(', ')}`);
