import { SPECIES, speciesById } from '../species';
import { handlingOf } from '.';

test.each([
  ['zoanthid', ['dip', 'toxin']],
  ['toadstool-leather', ['dip', 'toxin']],
  ['candy-cane', ['dip']],
  ['bubble-tip-anemone', ['guardIntakes', 'neverDip']],
  ['turban-snail', ['neverDip']],
  ['tuxedo-urchin', ['neverAir', 'neverDip']],
  ['royal-gramma', []],
])('%s: %j', (id, how) => expect(handlingOf(speciesById(id))).toEqual(how));

test('only corals are ever dipped; a puffer and a sponge are never lifted into air', () => {
  for (const s of SPECIES) {
    const how = handlingOf(s);
    if (how.includes('dip')) expect(s.group).toBe('coral');
    expect(how.includes('dip') && how.includes('neverDip')).toBe(false);
  }
  expect(handlingOf({ group: 'fish', is: ['fish', 'puffer'] })).toEqual(['neverAir']);
  expect(handlingOf({ group: 'coral', is: ['sponge'] })).toEqual(['neverAir', 'neverDip']);
  expect(handlingOf({ group: 'coral', is: ['clam'] })).toEqual(['neverDip']);
});
