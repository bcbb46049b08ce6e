import { useEffect, useState } from 'react';
import { Button, Line, Section, Txt } from '../../ui';

interface Standing {
  /** Null where the browser does not say. */
  persistent: boolean | null;
  usedBytes: number | null;
}

/** Whether the browser has promised to keep what is stored, and how much that is. */
export function KeptHere() {
  const [standing, setStanding] = useState<Standing | null>(null);
  useEffect(() => {
    let shown = true;
    void storageStanding().then((now) => shown && setStanding(now));
    return () => {
      shown = false;
    };
  }, []);
  if (!standing) return null;
  const { persistent, usedBytes } = standing;
  return (
    <Section title="Kept in this browser">
      <Line
        name="When space is short"
        value={
          persistent === null
            ? 'this browser does not say'
            : persistent
              ? 'it is kept: the browser promised'
              : 'the browser may remove it'
        }
      />
      {usedBytes === null ? null : <Line name="Room used" value={roomWords(usedBytes)} />}
      {persistent === false ? (
        <>
          <Txt kind="small" tone="second">
            Browsers promise it more readily to a page that is installed or often used. A file under Files is
            the copy that outlives any browser.
          </Txt>
          <Button
            label="Ask the browser to keep it"
            onPress={() => void navigator.storage.persist().then(() => storageStanding().then(setStanding))}
          />
        </>
      ) : null}
    </Section>
  );
}

const roomWords = (bytes: number): string =>
  bytes < 1048576 ? `${Math.ceil(bytes / 1024)} kB` : `${(bytes / 1048576).toFixed(1)} MB`;

async function storageStanding(): Promise<Standing> {
  if (typeof navigator === 'undefined' || !navigator.storage) return { persistent: null, usedBytes: null };
  const [persistent, estimate] = await Promise.all([
    navigator.storage.persisted().catch(() => null),
    navigator.storage.estimate().catch(() => null),
  ]);
  return { persistent, usedBytes: estimate?.usage ?? null };
}
