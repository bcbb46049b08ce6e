/** Starts the server on 127.0.0.1. PORT chooses the port, ZOARIUM_DEMO=1 opens the demo tanks. */
import { existsSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { makeApp } from './app';

const port = Number(process.env.PORT ?? '4173');
if (!Number.isInteger(port) || port < 1 || port > 65535) {
  console.error(`PORT must be a whole number from 1 to 65535, got "${process.env.PORT}".`);
  process.exit(1);
}
const dist = join(dirname(fileURLToPath(import.meta.url)), '..', 'dist');
if (!existsSync(join(dist, 'index.html'))) {
  console.error('The app is not built yet: run ./demo.sh, or npm run build.');
  process.exit(1);
}
const demo = process.env.ZOARIUM_DEMO === '1';
const server = makeApp({ dist, demo }).listen(port, '127.0.0.1', () => {
  console.log(`Zoarium${demo ? ' with its demo tanks' : ''}: http://127.0.0.1:${port}`);
});
server.on('error', (error: NodeJS.ErrnoException) => {
  console.error(error.code === 'EADDRINUSE' ? `Port ${port} is taken. Stop what uses it, or choose another: PORT=${port + 1} ./demo.sh` : error.message);
  process.exit(1);
});
