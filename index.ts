// Reading what is stored begins first; while the browser fetches it the router draws its own part; the first picture follows with the data.
// A practice tank has a clock of its own: it is set before anything looks at it.
import './src/store/practiceClock';
import './src/features/shell/started';
import '@expo/metro-runtime';
// Sets up how code is fetched; ours stands over it.
import 'expo';
import { fetchSharedFirst } from './src/features/shell/sharedCode';
import { ctx } from 'expo-router/_ctx';
import { ExpoRoot } from 'expo-router/build/ExpoRoot';
import { renderRootComponent } from 'expo-router/build/renderRootComponent';
import { createElement } from 'react';

fetchSharedFirst();
// The router over app/. Its package's own root stands over a part for titles, which nobody here sets.
renderRootComponent(() => createElement(ExpoRoot, { context: ctx }));
