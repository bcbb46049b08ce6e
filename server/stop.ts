/** Ends a server when the system asks: no new requests, those under way are answered, the rest is cut after a moment. */
import type { Server } from 'node:http';

const GRACE_MS = 2000;

export function stopCleanly(server: Server, done: () => void): void {
  const stop = (): void => {
    server.close(done);
    server.closeIdleConnections();
    setTimeout(() => server.closeAllConnections(), GRACE_MS).unref();
  };
  process.once('SIGINT', stop);
  process.once('SIGTERM', stop);
}
