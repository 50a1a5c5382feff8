import { describe, expect, it } from 'vitest';
import { atLine, isGone } from '../../src/kinds/common/lines/lines';
import { nextId } from '../../src/kinds/common/rows/rows';
import type { ContentOf, Kind } from '../../src/kinds/content';
import { kinds } from '../../src/kinds/facts.gen';
import { lineIds, withIds } from '../../src/kinds/registry';

const content = <K extends Kind>(kind: K, part: Partial<ContentOf<K>>): ContentOf<K> => ({ ...kinds[kind].empty, stem: 'Which?', ...part });
const choices = [3, 1, 2].map((id) => ({ id, text: `choice ${id}`, key: id === 1 }));
const one = content('one', { choices });

describe('the lines of a question', () => {
  it.each([
    ['choices', one, 'answer 1', 'answer:3'],
    ['wordings that have no ids yet', content('text', { wordings: [{ text: 'a' }, { text: 'b' }] }), 'answer 2', 'answer:2'],
    ['spans', content('number', { spans: [{ id: 7, span: '1' }] }), 'answer 1', 'answer:7'],
    ['gaps', content('gaps', { gaps: [{ part: { id: 4, text: 'gap 1' }, wordings: [] }] }), 'gap 1', 'gap:4'],
    ['areas', content('regions', { regions: [{ id: 5, area: 'ellipse 1 1 1 1', key: true }] }), 'area 1', 'area:5'],
    ['labels', content('place', { labels: [{ id: 6, text: 'a label' }] }), 'label 1', 'label:6'],
    ['hints', content('one', { hints: [{ id: 2, text: 'Think.' }] }), 'hint 1', 'hint:2'],
    ['what is no line', one, 'stem', 'stem'],
    ['a place that is not there', one, 'answer 9', 'answer 9'],
  ])('know %s', (_, question, place, at) => {
    expect(atLine(lineIds(question), place)).toBe(at);
  });

  it('stay the same when they are moved, and are gone when they are taken out', () => {
    const [first, ...rest] = choices;
    const moved = lineIds(content('one', { choices: [...rest, ...(first ? [first] : [])] }));
    expect(atLine(moved, 'answer 3')).toBe('answer:3');
    expect([isGone(moved, 'answer:3'), isGone(lineIds(content('one', { choices: rest })), 'answer:3'), isGone(moved, 'stem')]).toEqual([
      false,
      true,
      false,
    ]);
  });

  it('get their place as an id where they had none, and new ones an id that nothing was known by', () => {
    const filled = withIds(content('text', { wordings: [{ text: 'a' }, { text: 'b' }], hints: [{ text: 'Think.' }] }));
    expect(lineIds(filled)).toEqual({ answer: [1, 2], hint: [1] });
    expect(filled.hints).toEqual([{ text: 'Think.', id: 1 }]);
    expect([nextId(choices), nextId([{}, {}]), nextId([{ id: 9 }])]).toEqual([4, 3, 10]);
  });
});
