import { createElement } from 'react';
import { renderToString } from 'react-dom/server';
import { describe, expect, it } from 'vitest';
import { MediaContext, type Medium, PagesContext } from '../../src/parts/text/media';
import { decoded, named } from '../../src/parts/text/named';
import { Rich } from '../../src/parts/text/Rich';

const medium: Medium = { name: 'hive.svg', url: '/api/media/1', type: 'image/svg+xml', bytes: 1, width: 9, height: 9 };
const shown = (text: string, inline = false) =>
  renderToString(
    createElement(
      PagesContext,
      { value: { 'why (eggs)': { heading: null, reads: 'Because.' } } },
      createElement(MediaContext, { value: { 'hive.svg': medium } }, createElement(Rich, { text, inline })),
    ),
  );

describe('names in texts', () => {
  it.each(['constructor', '__proto__', 'toString', 'hasOwnProperty'])('finds nothing under %s', (name) => {
    expect(named({ a: 1 }, name)).toBeUndefined();
  });
  it.each([
    ['%', '%'],
    ['%E0%A4%A', '%E0%A4%A'],
    ['why%20eggs', 'why eggs'],
  ])('%s reads %s', (typed, name) => {
    expect(decoded(typed)).toBe(name);
  });
  it.each(['![x](constructor)', '![x](__proto__)', '![x](%)', '[p](page:%E0%A4%A)', '![x](%E0%A4%A) $x$', '[a](page:constructor)'])(
    'shows %s without falling over',
    (text) => {
      expect(shown(text)).toContain('rich');
      expect(shown(text, true)).toContain('span');
    },
  );
  it('shows a picture of the bank, and a page that is all there is', () => {
    expect(shown('![a hive](hive.svg)')).toContain('/api/media/1');
    expect(shown('[x](page:why%20(eggs))')).toContain('Because.');
  });
  it('raises and lowers', () => {
    expect(shown('x^2^ and H~2~O')).toContain('x<sup>2</sup> and H<sub>2</sub>O');
    expect(shown('5\\^2 and ~~no~~ a ^ b ^ c')).not.toContain('<sup>');
  });
});
