/** `npm run --silent zoarium -- COMMAND`: JSON on standard output; errors on standard error with exit status 1. */
import { readFileSync } from 'node:fs';
import { parseArgs } from 'node:util';
import { acclimate, quarantine } from './arrivals';
import { exportCsv, Faulty, importCsv, merge, type Told } from './files';
import { InputError } from './input';
import { calendar } from './calendar';
import { plan } from './plan';
import { toolAnswer, toolList } from './tool';
import { vial } from './vial';
import { CommandError, convert, forecastCommand, ledger, simulate, validate, verdict } from './commands';

const HELP = `zoarium COMMAND

  validate FILE                                    is the exported file whole?
  verdict  FILE [--water ID] [--at ISO]             the judgement for fish and corals
  forecast FILE [--water ID] [--at ISO] [--seed N] [--days N]
  ledger   FILE [--water ID] [--at ISO]             nitrogen in against nitrogen found
  simulate SCENARIO                                the plain model on a scenario file
  acclimate FILE                                   a bag's chemistry under a drip, and what is advised
  quarantine FILE                                  a bare tank's changes, or a quarantine's clock
  plan FILE                                        who comes when: the best stocking plan within the rules
  merge A B                                        two devices' files as one; conflicts on standard error
  import-csv CSV --into DOC [--mapping MAP] [--zone ZONE] [--dry]
                                                   a table's readings into a document, or what would come of it
  export-csv FILE                                  every reading as a table
  calendar FILE [--at ISO] [--days N]               everything due as an iCalendar file; 60 days unless asked
  vial FILE                                        a vial's colour against a card's: an interval
  tool     --list | NAME FILE                       the calculators of the bench: what there are, and an answer
  convert  VALUE FROM TO                           e.g. 35 ppt sg2525; 2 ammonia:ion ammonia:N
  convert  nh3 MG_N PH TEMP_C SALINITY             free ammonia

FILE is what the app exports; "-" reads standard input. --at hides everything logged later.
See docs/headless.md.
`;

function read(path: string | undefined, what: string): string {
  if (path === undefined) throw new CommandError(`which ${what}? Give its path.`);
  try {
    return readFileSync(path === '-' ? 0 : path, 'utf8');
  } catch (error) {
    throw new CommandError(`cannot read ${path}: ${error instanceof Error ? error.message : ''}`);
  }
}

function run(argv: string[]): string {
  // A negative number to convert is no option.
  if (argv[0] === 'convert' && !argv.includes('--help')) return print(convert(argv.slice(1)));
  const { values, positionals } = parseArgs({
    args: argv,
    allowPositionals: true,
    options: {
      tank: { type: 'string' },
      water: { type: 'string' },
      at: { type: 'string' },
      seed: { type: 'string' },
      days: { type: 'string' },
      into: { type: 'string' },
      mapping: { type: 'string' },
      zone: { type: 'string' },
      dry: { type: 'boolean' },
      list: { type: 'boolean' },
      help: { type: 'boolean', short: 'h' },
    },
  });
  const [command, path, second] = positionals;
  if (values.help || command === undefined || command === 'help') return HELP;
  const now = Date.now();
  switch (command) {
    case 'validate':
      return print(validate(read(path, 'file')));
    case 'verdict':
      return print(verdict(read(path, 'file'), values, now));
    case 'forecast':
      return print(forecastCommand(read(path, 'file'), values, now));
    case 'ledger':
      return print(ledger(read(path, 'file'), values, now));
    case 'acclimate':
      return print(acclimate(read(path, 'file')));
    case 'quarantine':
      return print(quarantine(read(path, 'file')));
    case 'plan':
      return print(plan(read(path, 'file'), () => performance.now()));
    case 'merge':
      return tell(merge(read(path, 'file'), read(second, 'second file')));
    case 'import-csv':
      return tell(
        importCsv(read(path, 'table'), read(values.into, 'document? Name it with --into'), {
          mapping: values.mapping === undefined ? undefined : read(values.mapping, 'mapping'),
          zone: values.zone,
          dry: values.dry,
        }),
      );
    case 'export-csv':
      return exportCsv(read(path, 'file'));
    case 'calendar':
      return calendar(read(path, 'file'), values, now);
    case 'tool':
      return print(values.list ? toolList(now) : toolAnswer(path, read(second, 'input file'), now));
    case 'vial':
      return print(vial(read(path, 'file')));
    case 'simulate':
      return print(simulate(read(path, 'scenario')));
    default:
      throw new CommandError(`there is no command "${command}"; --help lists them`);
  }
}

/** What is said beside the output goes to standard error. */
function tell({ out, err }: Told): string {
  process.stderr.write(err);
  return out;
}

const print = (value: object): string => `${JSON.stringify(value, null, 1)}\n`;

try {
  process.stdout.write(run(process.argv.slice(2)));
} catch (error) {
  if (error instanceof Faulty) {
    process.stdout.write(error.out);
    process.stderr.write(error.lines.map((l) => `${l}\n`).join(''));
  } else process.stderr.write(`zoarium: ${error instanceof Error ? error.message : String(error)}\n`);
  process.exitCode = error instanceof InputError ? 2 : 1;
}
