/** A new id for an entity: random, URL-safe. randomUUID needs a secure page; the fallback serves plain http in a home network. */
export function newId(): string {
  if (typeof crypto.randomUUID === 'function') return crypto.randomUUID();
  return [...crypto.getRandomValues(new Uint8Array(16))].map((b) => b.toString(16).padStart(2, '0')).join('');
}
