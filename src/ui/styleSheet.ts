import { StyleSheet } from 'react-native';

/** As `StyleSheet.create`, but a style becomes rules of the page when it is first worn: of the styles of all its parts the first screen wears a
 *  fifth, and making the others took a tenth of opening the app. */
export function styleSheet<T extends StyleSheet.NamedStyles<T>>(styles: T & StyleSheet.NamedStyles<T>): T {
  const sheet = {} as T;
  const worn: Partial<T> = {};
  for (const name of Object.keys(styles) as (keyof T)[])
    Object.defineProperty(sheet, name, {
      enumerable: true,
      get: () => (worn[name] ??= StyleSheet.create({ only: styles[name] }).only),
    });
  return sheet;
}
