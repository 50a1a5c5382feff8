import { describe, expect, it } from 'vitest';
import type { Content } from '../src/kinds/content';
import { atLine, isGone, lineIds, withIds } from '../src/kinds/common/lines';
import { nextId } from '../src/kinds/common/rows';

const content = (part: Partial<Content>): Content => ({ v: 1, kind: 'one', stem: 'Which?', ...part });
const choices = [3, 1, 2].map((id) => ({ id, text: `choice ${id}`, key: id === 1 }));

describe('the lines of a question', () => {
  it.each<[string, Partial<Content>, string, string]>([
    ['choices', { choices }, 'answer 1', 'answer:3'],
    ['wordings that have no ids yet', { kind: 'text', wordings: [{ text: 'a' }, { text: 'b' }] }, 'answer 2', 'answer:2'],
    ['spans', { kind: 'number', spans: [{ id: 7, span: '1' }] }, 'answer 1', 'answer:7'],
    ['gaps', { kind: 'gaps', gaps: [{ part: { id: 4, text: 'gap 1' }, wordings: [] }] }, 'gap 1', 'gap:4'],
    ['areas', { kind: 'regions', regions: [{ id: 5, area: 'ellipse 1 1 1 1', key: true }] }, 'area 1', 'area:5'],
    ['hints', { hints: [{ id: 2, text: 'Think.' }] }, 'hint 1', 'hint:2'],
    ['what is no line', { choices }, 'stem', 'stem'],
    ['a place that is not there', { choices }, 'answer 9', 'answer 9'],
  ])('know %s', (_, part, place, at) => {
    expect(atLine(lineIds(content(part)), place)).toBe(at);
  });

  it('stay the same when they are moved, and are gone when they are taken out', () => {
    const [first, ...rest] = choices;
    const moved = lineIds(content({ choices: [...rest, ...(first ? [first] : [])] }));
    expect(atLine(moved, 'answer 3')).toBe('answer:3');
    expect([isGone(moved, 'answer:3'), isGone(lineIds(content({ choices: rest })), 'answer:3'), isGone(moved, 'stem')]).toEqual([
      false,
      true,
      false,
    ]);
  });

  it('get their place as an id where they had none, and new ones an id that nothing was known by', () => {
    const filled = withIds(content({ kind: 'text', wordings: [{ text: 'a' }, { text: 'b' }] }));
    expect(filled.wordings?.map(({ id }) => id)).toEqual([1, 2]);
    expect(filled.regions).toBeUndefined();
    expect([nextId(filled.wordings ?? []), nextId([{}, {}]), nextId([{ id: 9 }])]).toEqual([3, 3, 10]);
  });
});
