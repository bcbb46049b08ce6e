/** Stands for the router in component tests: a link is an anchor, a way gone is written down. */
import type { ReactNode } from 'react';

export const route: { params: Record<string, string>; went: string[] } = { params: {}, went: [] };

const go = (href: unknown) => route.went.push(String(href));
const router = { push: go, replace: go, back: () => go('back'), canGoBack: () => true };

export const useRouter = () => router;
export const useLocalSearchParams = () => route.params;
export const usePathname = () => `/water/${route.params.waterId ?? ''}`;
export const Slot = () => null;
export const Link = ({
  href,
  children,
  'aria-label': name,
}: {
  href: unknown;
  children: ReactNode;
  'aria-label'?: string;
}) => (
  <a href={String(href)} aria-label={name}>
    {children}
  </a>
);
