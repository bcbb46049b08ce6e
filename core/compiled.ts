/** What of WebAssembly is used, where the platform has it; the core knows no other. */
interface Platform {
  WebAssembly?: {
    Module: new (bytes: Uint8Array) => object;
    Instance: new (module: object, imports: object) => { exports: unknown };
  };
  atob?: (text: string) => string;
}
const platform = globalThis as unknown as Platform;

/** Begins a compiled module anew: its own memory, what it exports. @param imports what it asks of us, by module and name */
export type Begin = (imports: object) => unknown;

/** A module, compiled the first time it is asked for; null where WebAssembly, or what the module needs of it, is missing.
 *  @param base64 its bytes */
export function compiledOnce(base64: string): () => Begin | null {
  let begin: Begin | null | undefined;
  return () => {
    if (begin === undefined) {
      const { WebAssembly: wasm, atob } = platform;
      try {
        if (!wasm || !atob) throw new Error('no WebAssembly here');
        const module = new wasm.Module(Uint8Array.from(atob(base64), (c) => c.charCodeAt(0)));
        begin = (imports) => new wasm.Instance(module, imports).exports;
      } catch {
        begin = null;
      }
    }
    return begin;
  };
}
