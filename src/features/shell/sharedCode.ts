/** The code that several screens share, fetched before the first screen that is fetched: a screen may itself stand in it. The page names it
 *  (scripts/finishBuild.mjs); without that name it came with the page. */
type Load = (path: string) => Promise<void>;

const scope = globalThis as unknown as Record<string, unknown>;
const NAME = `${typeof scope.__METRO_GLOBAL_PREFIX__ === 'string' ? scope.__METRO_GLOBAL_PREFIX__ : ''}__loadBundleAsync`;
const named = (): string | null =>
  document.querySelector('meta[name="zoarium-shared"]')?.getAttribute('content') ?? null;

/** Has the bundler's loader bring the shared code along with anything it fetches. */
export function fetchSharedFirst(): void {
  const path = named();
  const load = scope[NAME] as Load | undefined;
  if (path === null || !load) return;
  const withShared: Load = async (chunk) => {
    await load(path);
    if (chunk !== path) await load(chunk);
  };
  scope[NAME] = withShared;
}

/** Resolves when the shared code is here; rejects when it cannot be fetched. The loader fetches it once. */
export async function sharedCode(): Promise<void> {
  const path = named();
  const load = scope[NAME] as Load | undefined;
  if (path !== null && load) await load(path);
}
