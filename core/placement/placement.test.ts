import { speciesById } from '../species';
import { EMPTY_BOARD, flowAt, lightAt, misplaced, type Board, type Placed } from '.';

const glass = { lengthCm: 100, widthCm: 50, waterCm: 50 };
const point = (xCm: number, par: number) => ({ xCm, yCm: 25, zCm: 25, par });
const board = (more: Partial<Board>): Board => ({ ...EMPTY_BOARD, ...more });
const at = (xCm: number, zCm = 25, yCm = 25) => ({ xCm, yCm, zCm });
const placed = (id: string, spot = at(50)): Placed => ({ id, species: speciesById(id), spot });
const codes = (b: Board, ...list: Placed[]) => misplaced(b, glass, list).map((m) => m.code);

describe('light and flow at a place', () => {
  test('half way between 100 and 400 PAR it is 200; on a point it is nearly the point’s', () => {
    const b = board({ par: [point(20, 100), point(80, 400)] });
    expect(lightAt(b, at(50), 50)?.par).toBeCloseTo(200, 6);
    expect(lightAt(b, at(20), 50)?.par).toBeCloseTo(100, 0);
    expect([lightAt(b, at(30), 50)?.by, lightAt(b, at(50), 50)?.by]).toEqual(['measured', 'between']);
  });
  test('never above the brightest point nor below the dimmest', () => {
    const b = board({ par: [point(20, 80), point(60, 300), point(90, 150)] });
    for (let x = 0; x <= 100; x += 5)
      for (let z = 0; z <= 50; z += 10) {
        const { par } = lightAt(b, at(x, z), 50)!;
        expect(par).toBeGreaterThanOrEqual(80 - 1e-9);
        expect(par).toBeLessThanOrEqual(300 + 1e-9);
      }
  });
  test('without points from the surface down: 400 at the top, 120 half a metre below (by hand: exp(-1.2))', () => {
    const b = board({ surfacePar: 400 });
    expect(lightAt(b, at(50, 50), 50)?.par).toBe(400);
    expect(lightAt(b, at(50, 0), 50)).toEqual({ par: expect.closeTo(120.5, 1), by: 'guess' });
    expect(lightAt(EMPTY_BOARD, at(50), 50)).toBeNull();
  });
  test('flow is the nearest that was said', () => {
    const b = board({
      flow: [
        { ...at(10), flow: 'high' },
        { ...at(90), flow: 'low' },
      ],
    });
    expect([flowAt(b, at(40)), flowAt(b, at(60)), flowAt(EMPTY_BOARD, at(1))]).toEqual(['high', 'low', null]);
  });
});

describe('who stands wrong', () => {
  const bright = board({ par: [point(50, 300)] });
  test('light: too bright or too dim by more than a fifth', () => {
    // Disc mushroom 30 to 120, staghorn 200 to 400.
    expect(codes(bright, placed('mushroom-anemone'))).toEqual(['tooBright']);
    expect(codes(board({ par: [point(50, 144)] }), placed('mushroom-anemone'))).toEqual([]);
    expect(codes(board({ par: [point(50, 166)] }), placed('staghorn-coral'))).toEqual(['tooDim']);
    expect(codes(board({ par: [point(50, 167)] }), placed('staghorn-coral'))).toEqual([]);
    expect(codes(EMPTY_BOARD, placed('staghorn-coral'))).toEqual([]);
  });
  test('flow: one step aside is borne, two are not', () => {
    const flow = (f: 'low' | 'medium' | 'high') => board({ flow: [{ ...at(50), flow: f }] });
    expect(codes(flow('low'), placed('birdsnest'))).toEqual(['wrongFlow']);
    expect(codes(flow('medium'), placed('birdsnest'))).toEqual([]);
  });
  test('sting: torch (25 cm, 15 beyond) and button polyps (3 cm) want 29 cm between their middles', () => {
    const two = (gap: number) =>
      codes(EMPTY_BOARD, placed('torch', at(20)), placed('zoanthid', at(20 + gap)));
    expect(two(28.9)).toEqual(['stings']);
    expect(two(29)).toEqual([]);
    expect(codes(EMPTY_BOARD, placed('torch', at(20)), { ...placed('torch', at(25)), id: 'b' })).toEqual([]);
  });
  test('two that reach each other are said once, by the one with the longer reach', () => {
    // Torch 25 cm and 15 beyond, staghorn 40 cm and 3 beyond: 32.5 between their middles when they touch.
    const two = (gap: number) =>
      misplaced(EMPTY_BOARD, glass, [placed('staghorn-coral', at(10)), placed('torch', at(10 + gap))]);
    expect(two(35.4)).toMatchObject([{ id: 'torch', code: 'stings', other: 'staghorn-coral', back: true }]);
    expect(two(35.6)).toMatchObject([{ id: 'torch', code: 'stings', back: false }]);
    expect(two(47.6)).toEqual([]);
  });
  test('the worst is said first, whoever it is about', () => {
    const found = codes(
      board({ par: [point(50, 300)], flow: [{ ...at(50), flow: 'high' }] }),
      placed('mushroom-anemone', at(10)),
      placed('torch', at(50)),
      placed('zoanthid', at(55)),
      placed('birdsnest', at(101)),
    );
    expect(found).toEqual(['outside', 'stings', 'tooBright', 'tooBright', 'tooBright', 'wrongFlow']);
  });
  test('in open water beside drawn rock nothing carries it; a pane, the sand and its edge do', () => {
    const rocks = [{ xCm: 40, yCm: 15, widthCm: 20, depthCm: 20, heightCm: 20 }];
    const where = (spot: Placed['spot']) => codes(board({ rocks }), placed('torch', spot));
    expect(where(at(50, 26))).toEqual([]);
    expect(where(at(50, 26.1))).toEqual(['hangs']);
    expect(where(at(66.1, 15))).toEqual(['hangs']);
    expect(where(at(66, 15))).toEqual([]);
    expect(where(at(80, 7.9))).toEqual([]);
    expect(where(at(94, 30))).toEqual([]);
    expect(codes(EMPTY_BOARD, placed('torch', at(80, 30)))).toEqual([]);
  });
  test('those that sting nobody grow into each other; whoever is higher and wide shades', () => {
    expect(codes(EMPTY_BOARD, placed('toadstool-leather', at(20)), placed('zoanthid', at(30)))).toEqual([
      'growsInto',
    ]);
    expect(
      codes(EMPTY_BOARD, placed('toadstool-leather', at(20, 45)), placed('zoanthid', at(25, 5))),
    ).toEqual(['shades']);
    expect(
      codes(EMPTY_BOARD, placed('toadstool-leather', at(20, 45)), placed('zoanthid', at(60, 5))),
    ).toEqual([]);
    // Its own kind it does not sting, and yet it takes its light.
    expect(
      codes(EMPTY_BOARD, placed('toadstool-leather', at(20, 45)), {
        ...placed('toadstool-leather', at(22, 5)),
        id: 'lower',
      }),
    ).toEqual(['shades']);
  });
  test('under rock there is no light; on top of it, or before it, there is', () => {
    const rock = { xCm: 40, yCm: 0, widthCm: 20, depthCm: 60, heightCm: 20 };
    const where = (xCm: number, zCm: number) =>
      codes(board({ rocks: [rock] }), placed('torch', at(xCm, zCm)));
    expect(where(50, 10)).toEqual(['inRock']);
    expect(where(50, 16.9)).toEqual(['inRock']);
    expect(where(50, 17)).toEqual([]);
    expect(where(39, 10)).toEqual([]);
  });
  test('outside the glass, and a small-polyped coral on the sand', () => {
    expect(codes(EMPTY_BOARD, placed('torch', at(101)))).toEqual(['outside']);
    expect(codes(EMPTY_BOARD, placed('birdsnest', at(50, 4)))).toEqual(['onSand']);
  });
});
