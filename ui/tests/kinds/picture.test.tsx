import { cleanup, fireEvent, render, screen } from '@testing-library/react';
import { useState } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { PictureBoard } from '../../src/kinds/common/picture/PictureBoard';
import type { Shape } from '../../src/kinds/common/picture/shapes';
import { useMedia } from '../../src/kinds/common/picture/files';
import { at, Served } from '../served';
import { press } from '../written';

afterEach(() => {
  cleanup();
  vi.restoreAllMocks();
});

describe('a picture to draw on', () => {
  const medium = { name: 'hive.svg', url: '/x', type: 'image/svg+xml', bytes: 1, width: 800, height: 600 };
  const board = (shapes: Shape[], more: object = {}) => {
    let now = shapes;
    function Page() {
      const [list, set] = useState(shapes);
      const put = (next: Shape[]) => {
        now = next;
        set(next);
      };
      return (
        <PictureBoard
          medium={medium}
          shows="a hive"
          shapes={list}
          draws={['ellipse', 'rectangle', 'polygon']}
          what="Area"
          readOnly={false}
          onAdd={(shape) => put([...list, shape])}
          onChange={(i, shape) => put(list.with(i, shape))}
          onRemove={(i) => put(list.toSpliced(i, 1))}
          {...more}
        />
      );
    }
    render(<Page />);
    return { now: () => now };
  };
  const shape = () => screen.getByRole('button', { name: /^Area 1, arrows/ });
  const svg = () => screen.getByRole('group', { name: 'a hive' });
  const pointer = (type: 'pointerDown' | 'pointerMove' | 'pointerUp', x: number, y: number, on: Element = svg()) =>
    fireEvent(on, Object.assign(new MouseEvent(type.toLowerCase(), { bubbles: true, clientX: x, clientY: y }), { pointerId: 1 }));

  beforeEach(() => {
    // The picture is shown at half its size.
    vi.spyOn(Element.prototype, 'getBoundingClientRect').mockReturnValue({ left: 0, top: 0, width: 400, height: 300 } as DOMRect);
    Object.assign(Element.prototype, { setPointerCapture: () => undefined });
  });

  it('gets an area in the middle, which the arrow keys move and resize, and Delete takes out', () => {
    const { now } = board([]);
    fireEvent.click(screen.getAllByRole('button', { name: 'put one in the middle' })[0] ?? document.body);
    expect(now()).toEqual([{ name: 'ellipse', numbers: [400, 300, 60, 60] }]);
    fireEvent.keyDown(shape(), { key: 'ArrowRight' });
    fireEvent.keyDown(shape(), { key: 'ArrowUp', shiftKey: true });
    fireEvent.keyDown(shape(), { key: 'ArrowRight', shiftKey: true, altKey: true });
    expect(now()[0]?.numbers).toEqual([401, 290, 70, 60]);
    fireEvent.keyDown(shape(), { key: 'Delete' });
    expect(now()).toEqual([]);
  });

  it('gets an area drawn across it, in its own pixels', () => {
    const { now } = board([]);
    press('draw a rectangle');
    pointer('pointerDown', 10, 20);
    pointer('pointerMove', 60, 70);
    pointer('pointerUp', 60, 70);
    expect(now()).toEqual([{ name: 'rectangle', numbers: [20, 40, 100, 100] }]);
  });

  it('gets a polygon corner by corner', () => {
    const { now } = board([]);
    press('draw a polygon');
    for (const [x, y] of [[10, 10], [60, 10], [60, 60], [60, 60]] as const) pointer('pointerDown', x, y); // prettier-ignore
    press('close the polygon');
    expect(now()).toEqual([{ name: 'polygon', numbers: [20, 20, 120, 20, 120, 120] }]);
  });

  it('closes a polygon with Enter and leaves what is begun with Escape', () => {
    const { now } = board([]);
    press('draw a polygon');
    for (const [x, y] of [[10, 10], [60, 10], [60, 60]] as const) pointer('pointerDown', x, y); // prettier-ignore
    fireEvent.keyDown(document.body, { key: 'Escape' });
    expect(svg().querySelector('polyline')).toBeNull();
    expect(screen.getByRole('button', { name: 'draw a polygon' }).getAttribute('aria-pressed')).toBe('false');
    press('draw a polygon');
    for (const [x, y] of [[10, 10], [60, 10]] as const) pointer('pointerDown', x, y); // prettier-ignore
    fireEvent.keyDown(document.body, { key: 'Enter' });
    expect(now()).toEqual([]);
    pointer('pointerDown', 60, 60);
    fireEvent.keyDown(document.body, { key: 'Enter' });
    expect(now()).toEqual([{ name: 'polygon', numbers: [20, 20, 120, 20, 120, 120] }]);
  });

  it('has polygons whose corners are moved one by one, by pointer and by keys', () => {
    const { now } = board([{ name: 'polygon', numbers: [20, 20, 120, 20, 120, 120, 20, 120] }]);
    const corner = (n: number) => screen.getByRole('button', { name: new RegExp(`corner ${n}:`) });
    pointer('pointerDown', 60, 10, corner(2));
    pointer('pointerMove', 90, 20);
    pointer('pointerUp', 90, 20);
    expect(now()[0]?.numbers).toEqual([20, 20, 180, 40, 120, 120, 20, 120]);
    fireEvent.keyDown(corner(4), { key: 'ArrowLeft', shiftKey: true });
    expect(now()[0]?.numbers).toEqual([20, 20, 180, 40, 120, 120, 10, 120]);
    fireEvent.keyDown(corner(2), { key: 'Delete' });
    fireEvent.keyDown(corner(1), { key: 'Delete' });
    expect(now()[0]?.numbers).toEqual([20, 20, 120, 120, 10, 120]);
  });

  it('has areas that are dragged, and stay within it', () => {
    const { now } = board([{ name: 'rectangle', numbers: [20, 40, 100, 100] }]);
    pointer('pointerDown', 20, 30, shape());
    pointer('pointerMove', 30, 30);
    pointer('pointerUp', 30, 30);
    expect(now()[0]?.numbers).toEqual([40, 40, 100, 100]);
    pointer('pointerMove', 90, 90);
    expect(now()[0]?.numbers).toEqual([40, 40, 100, 100]);
  });

  it('keeps spots round', () => {
    const { now } = board([{ name: 'ellipse', numbers: [100, 100, 20, 20] }], { round: true, draws: ['ellipse'] });
    fireEvent.keyDown(shape(), { key: 'ArrowRight', altKey: true });
    expect(now()[0]?.numbers).toEqual([100, 100, 21, 21]);
    expect(screen.queryByRole('button', { name: 'draw a spot' })).not.toBeNull();
  });
});

describe('the files of a bank', () => {
  it.each([
    ['are there', { media: [{ name: 'hive.svg', url: '/x', type: 'image/svg+xml', bytes: 1, width: 8, height: 6 }] }, 'hive.svg'],
    ['cannot be had', { refuse: 503, detail: 'The disk is full.', type: 'fault' }, ''],
  ])('are unknown until they %s, so that none is called missing meanwhile', async (_, answer, names) => {
    new Served({ 'GET /banks/{id}/media': answer });
    const seen: string[] = [];
    function Names() {
      const media = useMedia(1);
      seen.push(media ? Object.keys(media).join() : 'not known yet');
      return null;
    }
    await at('/', '/', <Names />);
    expect([seen[0], seen.at(-1)]).toEqual(['not known yet', names]);
  });
});
