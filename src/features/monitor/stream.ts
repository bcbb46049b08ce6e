/** The app's end of the door: pairing, and the stream of readings, resumed where it was cut. */
import type { MonitorReading } from '../../../core/monitor';
import { z } from 'zod';
import { deviceToken, keepDeviceToken } from '../../store/deviceToken';

/** @throws Error with a sentence where the server does not pair */
export async function pair(): Promise<string> {
  const response = await fetch('/monitor/token', { method: 'POST', headers: { 'X-Zoarium': 'pair' } }).catch(
    () => null,
  );
  if (!response?.ok)
    throw new Error(
      response === null || response.status === 404
        ? 'The server that hands out this page takes no devices, or does not answer. Start it with npm run monitor or ./demo.sh on this machine.'
        : 'The server refuses to pair. Open the page from the machine it runs on.',
    );
  const { token } = z.object({ token: z.string().regex(/^[0-9a-f]{32}$/) }).parse(await response.json());
  keepDeviceToken(token);
  return token;
}

export async function revoke(): Promise<void> {
  const token = deviceToken();
  keepDeviceToken(null);
  if (token === null) return;
  await fetch('/monitor/token', { method: 'DELETE', headers: { Authorization: `Bearer ${token}` } }).catch(
    () => undefined,
  );
}

const messageSchema = z.object({
  epoch: z.string(),
  readings: z.array(
    z.object({
      seq: z.number(),
      device: z.string(),
      atMs: z.number(),
      what: z.enum(['freeAmmonia', 'totalAmmonia', 'ph', 'temperature', 'level', 'salinity']),
      value: z.number(),
    }),
  ),
});

export type LinkState = 'connecting' | 'open' | 'cut' | 'refused';

/** Waits between two tries, ms. */
const AGAIN = [1000, 3000, 10_000, 30_000];

/** Hears the door until it is closed. @param from where it was left  @param take is told each bunch once, in order
 *  @returns how to close it */
export function listen(
  from: () => { epoch: string; seq: number },
  take: (epoch: string, readings: readonly MonitorReading[]) => void,
  state: (s: LinkState) => void,
): () => void {
  const stop = new AbortController();
  let tries = 0;
  const run = async (): Promise<void> => {
    const token = deviceToken();
    if (token === null) return state('refused');
    const { epoch, seq } = from();
    try {
      const response = await fetch(`/monitor/stream?epoch=${epoch}&after=${seq}`, {
        headers: { Authorization: `Bearer ${token}` },
        signal: stop.signal,
      });
      if (response.status === 401 || response.status === 403) return state('refused');
      if (!response.ok || !response.body) throw new Error('no stream');
      state('open');
      tries = 0;
      const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
      let text = '';
      for (;;) {
        const { done, value } = await reader.read();
        if (done) break;
        text += value;
        const parts = text.split('\n\n');
        text = parts.pop() ?? '';
        for (const part of parts) {
          if (!part.startsWith('data: ')) continue;
          const message = messageSchema.safeParse(JSON.parse(part.slice(6)));
          if (message.success) take(message.data.epoch, message.data.readings);
        }
      }
      throw new Error('cut');
    } catch {
      if (stop.signal.aborted) return;
      state('cut');
      const wait = AGAIN[Math.min(tries++, AGAIN.length - 1)];
      setTimeout(() => void run(), wait);
    }
  };
  void run();
  return () => stop.abort();
}
