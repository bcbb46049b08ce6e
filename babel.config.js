module.exports = function (api) {
  api.cache(true);
  // A module runs when something of it is first used, also where another hands it on: the router asks for one part of react-native and would
  // run all of it. And what is used often is asked of the bundler once: inlined requires alone cost the forecast's loops a third of their time.
  return { presets: [['babel-preset-expo', { lazyImports: () => true }]] };
};
