const { getDefaultConfig } = require('expo/metro-config');
const path = require('path');

const config = getDefaultConfig(__dirname);

/** The file of a package, by the end of its path without the ending. */
const pathOf = (file) => new RegExp(`[\\\\/]${file.replaceAll('/', '[\\\\/]')}\\.js$`);

// immer ships two builds, and what hands it on would take the second along: one is enough.
const IMMER = path.join(__dirname, 'node_modules', 'immer', 'dist', 'immer.mjs');

// What is put in the place of a package's file.
const INSTEAD = [
  ['react-native-web/dist/(cjs/)?index', 'reactNativeParts.js'],
  ['react-native-safe-area-context/lib/module/NativeSafeAreaProvider\\.web', 'safeArea.js'],
  [
    'expo-router/build/(screensFeatureFlags|fork/native-stack/createNativeStackNavigator)',
    'nativeScreens.js',
  ],
  ['expo-router/build/fork/getStateFromPath', 'stateOfAddress.js'],
].map(([file, ours]) => [pathOf(file), path.join(__dirname, 'web', ours)]);

// Headers, tabs and stacks of native screens, with all that draws and moves them, and a phone's own colours: the router names them, and
// nothing here wears them.
const NEVER_WORN = [
  'expo-router/build/react-navigation/(bottom-tabs|elements)/index',
  'expo-router/build/react-navigation/native-stack/views/NativeStackView',
  'expo-router/build/(layouts/stack-utils|color)/index',
  'expo-router/build/(link/preview/HrefPreview|views/Toast|onboard/Tutorial)',
  'react-native-screens/lib/module/components/Screen(\\.web)?',
].map(pathOf);

config.resolver.resolveRequest = (context, name, platform) => {
  if (name === 'immer') return { type: 'sourceFile', filePath: IMMER };
  // zod re-exports the words of some fifty languages; messages here are our own, so only the one it sets up itself is kept.
  if (
    /locales\/index\.(js|cjs)$/.test(name) &&
    context.originModulePath.includes(`${path.sep}zod${path.sep}`)
  ) {
    return { type: 'empty' };
  }
  const found = context.resolveRequest(context, name, platform);
  if (found.type !== 'sourceFile') return found;
  const instead = INSTEAD.find(([file]) => file.test(found.filePath));
  // What stands in its place may ask for the file itself.
  if (instead && context.originModulePath !== instead[1]) return { type: 'sourceFile', filePath: instead[1] };
  return NEVER_WORN.some((file) => file.test(found.filePath)) ? { type: 'empty' } : found;
};

// A module runs when first used, not at start-up: a screen never opened costs nothing but its bytes.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
