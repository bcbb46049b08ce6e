module.exports = function (api) {
  // Jest runs modules as CommonJS and cannot import() them; the bundler splits there.
  const testing = api.env('test');
  return {
    presets: ['babel-preset-expo'],
    plugins: testing ? ['@babel/plugin-transform-dynamic-import'] : [],
  };
};
