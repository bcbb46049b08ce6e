import { InputError } from './input';
import { vial } from './vial';

const file = {
  reference: [
    { value: 0, rgb: [240, 230, 120] },
    { value: 0.5, rgb: [180, 205, 105] },
    { value: 2, rgb: [100, 160, 110] },
  ],
  photo: {
    squares: [
      [240, 230, 120],
      [180, 205, 105],
      [100, 160, 110],
    ],
    vial: [180, 205, 105],
  },
};

test('an interval, or null with the doubt in words', () => {
  expect(vial(JSON.stringify(file))).toMatchObject({ doubts: [] });
  const dark = { ...file, photo: { ...file.photo, vial: [4, 4, 4] } };
  expect(vial(JSON.stringify(dark))).toEqual({
    low: null,
    best: null,
    high: null,
    doubts: [expect.stringMatching(/too dark/)],
  });
});
test.each([
  [{ ...file, photo: { ...file.photo, vial: [300, 0, 0] } }, /"photo\.vial\[0\]"/],
  [{ ...file, photo: { ...file.photo, squares: file.photo.squares.slice(1) } }, /"photo\.squares/],
  [{ ...file, reference: [...file.reference].reverse() }, /"reference\[1\]\.value"/],
])('wrong input names the field', (raw, message) => {
  expect(() => vial(JSON.stringify(raw))).toThrow(InputError);
  expect(() => vial(JSON.stringify(raw))).toThrow(message);
});
