import { describe, expect, it } from 'vitest';
import { pasted } from '../../src/parts/text/paste';

const data = (html: string, plain = '', files: File[] = []) =>
  ({ getData: (type: string) => (type === 'text/html' ? html : plain), files }) as unknown as DataTransfer;

describe('what is pasted from a document', () => {
  it.each([
    ['raised', 'x<sup>2</sup> + y<sup>10</sup>', 'x^2^ + y^10^'],
    ['lowered', 'H<sub>2</sub>O', 'H~2~O'],
    ['raised by its style', 'x<span style="vertical-align: super">2</span>', 'x^2^'],
    ['raised words with blanks stay words', 'a<sup>see below</sup>', 'asee below'],
    ['emphasis', '<b>strong</b> and <i>soft</i>', '**strong** and *soft*'],
    ['a literal asterisk', '5 * 3 * 2', '5 \\* 3 \\* 2'],
    ['a literal asterisk within emphasis', '<b>a*b</b>', '**a\\*b**'],
    ['signs that would mean something', 'a^b ~c $5 `d`', 'a\\^b \\~c \\$5 \\`d\\`'],
    ['gaps stay gaps', 'A ___ has', 'A ___ has'],
    ['a list', '<ul><li>one</li><li>two</li></ul>', '- one\n- two'],
    ['a list within a list', '<ol><li>one<ul><li>deep</li></ul></li><li>two</li></ol>', '1. one\n   - deep\n2. two'],
    ['a list beside its item, as word processors do it', '<ul><li>one</li><ul><li>deep</li></ul></ul>', '- one\n   - deep'],
    [
      'a list of a word processor, its signs in the text',
      '<p>Bring:</p><p style="list:l0 level1 lfo1"><span>·<span>&nbsp;&nbsp; </span></span>a veil</p><p style="list:l0 level2 lfo1"><span>o<span>&nbsp; </span></span>white</p><p style="list:l0 level1 lfo1"><span>·<span>&nbsp; </span></span>a smoker</p><p>Now.</p>',
      'Bring:\n\n- a veil\n   - white\n- a smoker\n\nNow.',
    ],
    ['numbers of a word processor', '<p class="ListItem">1.&nbsp;&nbsp; one</p><p class="ListItem">2.&nbsp; two</p>', '1. one\n2. two'],
    ['a paragraph that begins with a letter', '<p>o weh</p><p>- so</p>', 'o weh\n\n- so'],
    ['a table', '<table><tr><th>bee</th><th>days</th></tr><tr><td>queen</td><td>16</td></tr></table>', 'bee; days\nqueen; 16'],
    ['scripts and styles go', '<style>b{}</style>x<script>y</script>', 'x'],
  ])('%s', (_, html, text) => {
    expect(pasted(data(html)).text).toBe(text);
  });

  it('tells of a table and of a picture that was left out', () => {
    expect(pasted(data('<table><tr><td>a</td></tr></table>')).told).toContain('table');
    expect(pasted(data('text <img src="x.png">')).told).toContain('picture');
    expect(pasted(data('', 'plain')).told).toBeNull();
  });

  it('hands on a picture that was pasted by itself', () => {
    const file = new File(['x'], 'image.png', { type: 'image/png' });
    expect(pasted(data('', '', [file])).file).toBe(file);
    expect(pasted(data('<img src="x">', '', [file])).file).toBe(file);
    expect(pasted(data('words <img src="x">', '', [file])).file).toBeNull();
  });

  it('offers lines where there were several, without their list marks', () => {
    expect(pasted(data('', 'a) one\nb) two\n\n3. three')).lines).toEqual(['one', 'two', 'three']);
    expect(pasted(data('', 'one')).lines).toEqual([]);
  });
});
