/** Properties are tried on a few cases each under mutation: a mutant that only the hundredth case would find counts as alive. */
const fc = require('fast-check');
const CASES = 6;
for (const holder of [fc, fc.default].filter(Boolean)) {
  const whole = holder.assert;
  holder.assert = (property, parameters) =>
    whole(property, { ...parameters, numRuns: Math.min(parameters?.numRuns ?? CASES, CASES) });
}
