/** `npm run accuracy -- [tanks] [seed]`: the forecast judged on tanks of another making, then the word of the app judged by someone who obeys
 *  it. `npm run accuracy -- --keeper [tanks] [seed]` does the second alone; `--seeds [logs] [seeds] [first log]` asks whether the same log says
 *  the same dates; `--curves [tanks] [first]` whether the drawn bands hold. */
const args = process.argv.slice(2);
const numbers = args.filter((a) => !a.startsWith('--')).map(Number);

if (args[0] === '--seeds') {
  const { seedsReport } = await import('./seeds');
  seedsReport(numbers[0] ?? 30, numbers[1] ?? 8, numbers[2] ?? 1);
} else if (args[0] === '--curves') {
  const { curvesReport } = await import('./curves');
  curvesReport(numbers[0] ?? 200, numbers[1] ?? 1);
} else {
  const alone = args[0] === '--keeper';
  if (!alone) await import('./accuracy');
  const { keeperReport } = await import('./keeper');
  keeperReport(alone ? (numbers[0] ?? 60) : 60, numbers[1] ?? 1);
}
