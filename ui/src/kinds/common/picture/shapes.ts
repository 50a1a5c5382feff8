export type ShapeName = 'ellipse' | 'rectangle' | 'polygon';

/** An area in image pixels, as its words have it. */
export interface Shape {
  name: ShapeName;
  numbers: number[];
}

export function readShape(words: string): Shape {
  const [name = '', ...rest] = words.trim().split(/[ ,]+/);
  const known = name === 'rectangle' || name === 'polygon' ? name : 'ellipse';
  return { name: known, numbers: rest.map((n) => Math.round(Number(n)) || 0) };
}

export function shapeWords(shape: Shape): string {
  if (shape.name !== 'polygon') return `${shape.name} ${shape.numbers.join(' ')}`;
  return `polygon ${cornersOf(shape)
    .map((corner) => corner.join(','))
    .join(' ')}`;
}

/** The corners of a polygon, each across and down. */
export function cornersOf({ numbers }: Shape): [number, number][] {
  const corners: [number, number][] = [];
  for (let i = 0; i < numbers.length; i += 2) corners.push([numbers[i] ?? 0, numbers[i + 1] ?? 0]);
  return corners;
}

export const withCornerAt = (shape: Shape, corner: number, to: [number, number]): Shape => ({
  ...shape,
  numbers: cornersOf(shape).with(corner, to).flat(),
});

export const withoutCorner = (shape: Shape, corner: number): Shape => ({ ...shape, numbers: cornersOf(shape).toSpliced(corner, 1).flat() });

const clamp = (n: number, most: number) => Math.max(0, Math.min(most, Math.round(n)));

/** Moved by some pixels, without leaving the picture. */
export function moved({ name, numbers }: Shape, dx: number, dy: number, width: number, height: number): Shape {
  if (name === 'polygon')
    return { name, numbers: numbers.map((n, i) => (i % 2 === 0 ? clamp(n + dx, width - 1) : clamp(n + dy, height - 1))) };
  const [x = 0, y = 0, ...size] = numbers;
  return { name, numbers: [clamp(x + dx, width - 1), clamp(y + dy, height - 1), ...size] };
}

/** Made larger or smaller by some pixels; a polygon around its first corner. */
export function resized({ name, numbers }: Shape, dw: number, dh: number): Shape {
  if (name === 'polygon') {
    const [x0 = 0, y0 = 0] = numbers;
    const grow = (n: number, from: number, by: number, size: number) =>
      Math.max(0, Math.round(from + (n - from) * (1 + by / Math.max(20, size))));
    const width = Math.max(...numbers.filter((_, i) => i % 2 === 0)) - Math.min(...numbers.filter((_, i) => i % 2 === 0));
    const height = Math.max(...numbers.filter((_, i) => i % 2 === 1)) - Math.min(...numbers.filter((_, i) => i % 2 === 1));
    return { name, numbers: numbers.map((n, i) => (i % 2 === 0 ? grow(n, x0, dw, width) : grow(n, y0, dh, height))) };
  }
  const [x = 0, y = 0, w = 1, h = 1] = numbers;
  return { name, numbers: [x, y, Math.max(1, Math.round(w + dw)), Math.max(1, Math.round(h + dh))] };
}

/** From one corner to the other. */
export function spanned(name: 'ellipse' | 'rectangle', from: [number, number], to: [number, number]): Shape {
  const [left, top] = [Math.min(from[0], to[0]), Math.min(from[1], to[1])];
  const [width, height] = [Math.max(2, Math.abs(to[0] - from[0])), Math.max(2, Math.abs(to[1] - from[1]))];
  return name === 'rectangle'
    ? { name, numbers: [left, top, width, height] }
    : {
        name,
        numbers: [
          Math.round(left + width / 2),
          Math.round(top + height / 2),
          Math.max(1, Math.round(width / 2)),
          Math.max(1, Math.round(height / 2)),
        ],
      };
}

/** Where its number stands. */
export function anchor({ name, numbers }: Shape): [number, number] {
  const [x = 0, y = 0, w = 0, h = 0] = numbers;
  if (name === 'ellipse') return [x, y];
  if (name === 'rectangle') return [x + w / 2, y + h / 2];
  const xs = numbers.filter((_, i) => i % 2 === 0);
  const ys = numbers.filter((_, i) => i % 2 === 1);
  return [(Math.min(...xs) + Math.max(...xs)) / 2, (Math.min(...ys) + Math.max(...ys)) / 2];
}
