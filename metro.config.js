const { getDefaultConfig } = require('expo/metro-config');
const path = require('path');

const config = getDefaultConfig(__dirname);

// zod re-exports the words of some fifty languages; messages here are our own, so only the one it sets up itself is kept.
config.resolver.resolveRequest = (context, name, platform) => {
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
