import { describe, expect, it } from 'vitest';
import { choicesOf, type Content, type ContentOf } from '../../../src/kinds/content';
import { markedBy } from '../../../src/areas/bank/question/marking';

const content = (settings: Record<string, string>, weights: (string | undefined)[] = []): ContentOf<'one'> => ({
  v: 1,
  kind: 'one',
  stem: 'W?',
  settings,
  choices: [1, 2, 3].map((id, i) => ({ id, text: `c${id}`, key: i === 0, ...(weights[i] !== undefined && { weight: weights[i] }) })),
});

const weights = (question: Content) => choicesOf(question).map((c) => c.weight);

describe('going over to weights and back', () => {
  it('brings the points back', () => {
    const there = markedBy(content({ points: '7' }), 'weighed', null, '7');
    expect(there.content.settings).toEqual({ marking: 'weighed' });
    const back = markedBy(there.content, 'whole', there.remembered, '1');
    expect(back.content.settings).toEqual({ marking: 'whole', points: '7' });
  });
  it('brings the weights back', () => {
    const whole = markedBy(content({ marking: 'weighed' }, ['8', '5', '-2']), 'whole', null, '8');
    expect(weights(whole.content)).toEqual([undefined, undefined, undefined]);
    expect(whole.content.settings?.points).toBe('8');
    expect(weights(markedBy(whole.content, 'weighed', whole.remembered, '8').content)).toEqual(['8', '5', '-2']);
  });
  it('sets no points where there were none', () => {
    const there = markedBy(content({}), 'weighed', null, '1');
    expect(markedBy(there.content, 'whole', there.remembered, '1').content.settings).toEqual({ marking: 'whole' });
  });
});
