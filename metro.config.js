const { getDefaultConfig } = require('expo/metro-config');
const path = require('path');

const config = getDefaultConfig(__dirname);

// immer ships two builds, and what hands it on would take the second along: one is enough.
const IMMER = path.join(__dirname, 'node_modules', 'immer', 'dist', 'immer.mjs');

config.resolver.resolveRequest = (context, name, platform) => {
  if (name === 'immer') return { type: 'sourceFile', filePath: IMMER };
  // zod re-exports the words of some fifty languages; messages here are our own, so only the one it sets up itself is kept.
  if (
    /locales\/index\.(js|cjs)$/.test(name) &&
    context.originModulePath.includes(`${path.sep}zod${path.sep}`)
  ) {
    return { type: 'empty' };
  }
  return context.resolveRequest(context, name, platform);
};

// A module runs when first used, not at start-up: a screen never opened costs nothing but its bytes.
config.transformer.getTransformOptions = async () => ({ transform: { inlineRequires: true } });

module.exports = config;
