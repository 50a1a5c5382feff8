import { describe, expect, it } from 'vitest';
import { anchor, moved, readShape, resized, type Shape, shapeWords, spanned } from '../../src/kinds/common/picture/shapes';

const ellipse: Shape = { name: 'ellipse', numbers: [100, 80, 30, 20] };
const rectangle: Shape = { name: 'rectangle', numbers: [10, 20, 40, 60] };
const polygon: Shape = { name: 'polygon', numbers: [10, 10, 50, 10, 30, 40] };

describe('an area of a picture', () => {
  it.each([
    ['ellipse 100 80 30 20', ellipse],
    ['rectangle 10 20 40 60', rectangle],
    ['polygon 10,10 50,10 30,40', polygon],
  ])('%s is read and written the same', (words, shape) => {
    expect(readShape(words)).toEqual(shape);
    expect(shapeWords(shape)).toBe(words);
  });

  it.each([
    ['  rectangle  1.4 2.6 x 4 ', { name: 'rectangle', numbers: [1, 3, 0, 4] }],
    ['circle 5 5 9', { name: 'ellipse', numbers: [5, 5, 9] }],
    ['', { name: 'ellipse', numbers: [] }],
  ])('%s, half written, is drawn as far as it goes', (words, shape) => {
    expect(readShape(words)).toEqual(shape);
  });

  it.each<[string, Shape, [number, number], number[]]>([
    ['an ellipse', ellipse, [5, -10], [105, 70, 30, 20]],
    ['an ellipse at the edge', ellipse, [900, 900], [799, 599, 30, 20]],
    ['a rectangle beyond the corner', rectangle, [-50, -50], [0, 0, 40, 60]],
    ['a polygon', polygon, [1, 2], [11, 12, 51, 12, 31, 42]],
    ['a polygon at the edge', polygon, [-20, 0], [0, 10, 30, 10, 10, 40]],
  ])('%s is moved and stays within the picture', (_, shape, [dx, dy], numbers) => {
    expect(moved(shape, dx, dy, 800, 600).numbers).toEqual(numbers);
  });

  it.each<[string, Shape, [number, number], number[]]>([
    ['an ellipse larger', ellipse, [10, 5], [100, 80, 40, 25]],
    ['an ellipse to nothing', ellipse, [-90, -90], [100, 80, 1, 1]],
    ['a polygon to twice its width', polygon, [40, 0], [10, 10, 90, 10, 50, 40]],
  ])('makes %s', (_, shape, [dw, dh], numbers) => {
    expect(resized(shape, dw, dh).numbers).toEqual(numbers);
  });

  it('is drawn from corner to corner, in any direction', () => {
    expect(spanned('rectangle', [50, 60], [10, 20])).toEqual({ name: 'rectangle', numbers: [10, 20, 40, 40] });
    expect(spanned('ellipse', [10, 20], [50, 60])).toEqual({ name: 'ellipse', numbers: [30, 40, 20, 20] });
    expect(spanned('ellipse', [10, 10], [10, 10])).toEqual({ name: 'ellipse', numbers: [11, 11, 1, 1] });
  });

  it('has its number in the middle', () => {
    expect([ellipse, rectangle, polygon].map(anchor)).toEqual([
      [100, 80],
      [30, 50],
      [30, 25],
    ]);
  });
});
