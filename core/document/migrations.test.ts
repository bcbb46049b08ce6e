/** Steps between versions, with steps of our own making: each old entity goes through every later step once, in order. */
import { assertWhole, broughtUp, fileBroughtUp, type Migration } from './migrations';

/** Version 2 renames what tanks call their salt; version 3 doubles it and begins the tasks. */
const STEPS: readonly Migration[] = [
  {
    from: 1,
    reason: 'salt was called brine',
    adds: [],
    up: (collection, entity) => {
      if (collection !== 'tanks') return entity;
      const { brine, ...rest } = entity as { brine: number };
      return { ...rest, salt: brine };
    },
  },
  {
    from: 2,
    reason: 'salt was counted by the half',
    adds: ['tasks'],
    up: (collection, entity) =>
      collection === 'tanks'
        ? { ...(entity as object), salt: (entity as { salt: number }).salt * 2 }
        : entity,
  },
];

test('from the first version through both steps, in order', () => {
  expect(broughtUp('tanks', { id: 't', brine: 3 }, 1, STEPS)).toEqual({ id: 't', salt: 6 });
  expect(broughtUp('kits', { id: 'k', brine: 3 }, 1, STEPS)).toEqual({ id: 'k', brine: 3 });
});
test('from the second only the second; from the newest none', () => {
  expect(broughtUp('tanks', { salt: 3 }, 2, STEPS)).toEqual({ salt: 6 });
  expect(broughtUp('tanks', { salt: 3 }, 3, STEPS)).toEqual({ salt: 3 });
});
test('a whole file: its version, its lists, and the lists that begin', () => {
  const file = { format: 'zoarium', version: 1, tanks: [{ id: 't', brine: 1 }], kits: [{ id: 'k' }] };
  const now = fileBroughtUp(file, 1, STEPS);
  expect(now).toMatchObject({
    format: 'zoarium',
    version: 3,
    tanks: [{ id: 't', salt: 2 }],
    kits: [{ id: 'k' }],
    tasks: [],
  });
  // What no step begins is not invented: the check names it.
  expect(now.samples).toBeUndefined();
  expect(file.tanks[0]).toEqual({ id: 't', brine: 1 });
});
test('lists that were there are kept where a step begins them; what is no list is left to the check', () => {
  expect(fileBroughtUp({ tasks: [{ id: 'a' }], tanks: 'none' }, 2, STEPS)).toMatchObject({
    tasks: [{ id: 'a' }],
    tanks: 'none',
  });
});
test('a file of today is the same file', () => {
  const file = { version: 3, tanks: [] };
  expect(fileBroughtUp(file, 3, STEPS)).toBe(file);
});
test('a step that fails is not swallowed', () => {
  const bad: Migration = {
    from: 1,
    reason: '',
    adds: [],
    up: () => {
      throw new RangeError('no salt');
    },
  };
  expect(() => fileBroughtUp({ tanks: [{}] }, 1, [bad])).toThrow('no salt');
});
test('steps missing, doubled or out of order are refused at once', () => {
  const [one, two] = STEPS as [Migration, Migration];
  expect(() => assertWhole(STEPS, 3)).not.toThrow();
  expect(() => assertWhole([one], 3)).toThrow('version 3 needs 2 migrations, got 1');
  expect(() => assertWhole([two, one], 3)).toThrow('migration 0 must start from version 1, got 2');
  expect(() => assertWhole([one, one], 3)).toThrow('migration 1 must start from version 2, got 1');
});
