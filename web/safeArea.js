import { createElement } from 'react';
import { View } from 'react-native';

/** In place of a provider that measures notches after the first picture, and has the whole page laid out again for it: the page keeps clear of
 *  them by itself (public/index.html), and nobody asks how wide they are. */
export const NativeSafeAreaProvider = ({ children, style }) => createElement(View, { style }, children);
