/** Starts the server. PORT chooses the port, HOST the address (the loopback unless told otherwise), ZOARIUM_DEMO=1 opens the demo tanks.
 *  ZOARIUM_JOURNAL is the file in which the door for devices remembers through a restart (.cache/door-PORT.jsonl); empty: it forgets. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeApp } from './app';
import { Door } from './door';
import { stopCleanly } from './stop';

const port = Number(process.env.PORT ?? '4173');
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT must be a whole number from 1 to 65535, got "${process.env.PORT}".`);
  process.exit(1);
}
const host = process.env.HOST ?? '127.0.0.1';
const root = join(dirname(fileURLToPath(import.meta.url)), '..');
const dist = join(root, 'dist');
const journal = process.env.ZOARIUM_JOURNAL ?? join(root, '.cache', `door-${port}.jsonl`);
if (!existsSync(join(dist, 'index.html'))) {
  console.error('The app is not built yet: run ./demo.sh, or npm run build.');
  process.exit(1);
}
const demo = process.env.ZOARIUM_DEMO === '1';
const door = new Door(Date.now, journal === '' ? null : journal);
const server = makeApp({ dist, demo, door }).listen(port, host, () => {
  console.log(`Zoarium${demo ? ' with its demo tanks' : ''}: http://${host}:${port}`);
  if (host !== '127.0.0.1' && host !== 'localhost') {
    console.log(
      'Other machines may reach it. It holds no data, and it speaks plain HTTP: put a proxy with TLS before it.',
    );
  }
});
server.on('error', (error: NodeJS.ErrnoException) => {
  const taken = `Port ${port} is taken. Stop what uses it, or choose another: PORT=${port + 1} ./demo.sh`;
  console.error(error.code === 'EADDRINUSE' ? taken : error.message);
  process.exit(1);
});
stopCleanly(server, () => process.exit(0));
