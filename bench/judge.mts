/** `npm run accuracy -- [tanks] [seed]`: the forecast judged on tanks of another making, then the word of the app judged by someone who obeys
 *  it. `npm run accuracy -- --keeper [tanks] [seed]` does the second alone. */
const args = process.argv.slice(2);
const alone = args[0] === '--keeper';
const numbers = args.filter((a) => !a.startsWith('--')).map(Number);

if (!alone) await import('./accuracy');
const { keeperReport } = await import('./keeper');
keeperReport(alone ? (numbers[0] ?? 60) : 60, numbers[1] ?? 1);
