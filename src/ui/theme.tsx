import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { useColorScheme, useWindowDimensions } from 'react-native';
import { DARK, LIGHT, WIDE, type Roles } from './tokens';

const ThemeContext = createContext<{ roles: Roles; dark: boolean } | null>(null);

/** Roles of the chosen theme; "system" follows the device. Also colours the page behind the app. */
export function ThemeProvider({
  theme,
  children,
}: {
  theme: 'system' | 'light' | 'dark';
  children: ReactNode;
}) {
  const scheme = useColorScheme();
  const dark = theme === 'dark' || (theme === 'system' && scheme === 'dark');
  useEffect(() => {
    if (typeof document === 'undefined') return;
    document.documentElement.style.colorScheme = dark ? 'dark' : 'light';
    document.body.style.backgroundColor = (dark ? DARK : LIGHT).ground;
    document.documentElement.style.setProperty('--focus', (dark ? DARK : LIGHT).action);
  }, [dark]);
  return (
    <ThemeContext.Provider value={{ roles: dark ? DARK : LIGHT, dark }}>{children}</ThemeContext.Provider>
  );
}

/** @throws when no ThemeProvider is above. */
export function useTheme(): { roles: Roles; dark: boolean } {
  const theme = useContext(ThemeContext);
  if (!theme) throw new Error('useTheme needs a ThemeProvider above it');
  return theme;
}

export const useWide = (): boolean => useWindowDimensions().width >= WIDE;

/** True when the person asked for less motion. */
export function useReducedMotion(): boolean {
  const [reduced] = useState(
    () => typeof matchMedia === 'function' && matchMedia('(prefers-reduced-motion: reduce)').matches,
  );
  return reduced;
}
