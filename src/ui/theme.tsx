import { createContext, useContext, useEffect, useState, type ReactNode } from 'react';
import { flushSync } from 'react-dom';
import { useColorScheme, useWindowDimensions } from 'react-native';
import { DARK, LIGHT, ON_PAPER, WIDE, type Roles } from './tokens';

interface Theme {
  roles: Roles;
  dark: boolean;
  /** On its way to paper: dark on white, and nothing that is only there to be pressed. */
  printing: boolean;
}

const ThemeContext = createContext<Theme | null>(null);

/** Roles of the chosen theme; "system" follows the device. Also colours the page behind the app. */
export function ThemeProvider({
  theme,
  children,
}: {
  theme: 'system' | 'light' | 'dark';
  children: ReactNode;
}) {
  const scheme = useColorScheme();
  const printing = usePrinting();
  const dark = !printing && (theme === 'dark' || (theme === 'system' && scheme === 'dark'));
  const roles = printing ? ON_PAPER : dark ? DARK : LIGHT;
  useEffect(() => {
    if (typeof document === 'undefined') return;
    document.documentElement.style.colorScheme = dark ? 'dark' : 'light';
    document.body.style.backgroundColor = roles.ground;
    document.documentElement.style.setProperty('--focus', roles.action);
  }, [dark, roles]);
  return <ThemeContext.Provider value={{ roles, dark, printing }}>{children}</ThemeContext.Provider>;
}

/** The browser takes its picture when the event's listeners are done: drawn anew at once, not with the next frame. */
function usePrinting(): boolean {
  const [printing, setPrinting] = useState(false);
  useEffect(() => {
    const before = () => flushSync(() => setPrinting(true));
    const after = () => setPrinting(false);
    window.addEventListener('beforeprint', before);
    window.addEventListener('afterprint', after);
    return () => {
      window.removeEventListener('beforeprint', before);
      window.removeEventListener('afterprint', after);
    };
  }, []);
  return printing;
}

/** @throws when no ThemeProvider is above. */
export function useTheme(): Theme {
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
