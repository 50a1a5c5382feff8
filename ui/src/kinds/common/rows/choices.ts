import type { Choice, ContentOf } from '../../content';
import type { Weights } from '../../kindUi';
import { nextId } from './rows';
import { unweighLines, weighLines } from './weights';

type Choosing = ContentOf<'one' | 'several' | 'claim'>;

/** What the kinds with answers to choose from have in common. */
export const choosing = {
  lines: (content: Choosing) => content.choices,
  weighed: <C extends Choosing>(content: C, remembered: Weights): C => ({ ...content, choices: weighLines(content.choices, remembered) }),
  unweighed: <C extends Choosing>(content: C): C => ({ ...content, choices: unweighLines(content.choices) }),
  weights: (content: Choosing): Weights => content.choices.map(({ weight }) => weight),
  withoutKeys: <C extends Choosing>(content: C): C => ({
    ...content,
    choices: content.choices.map((choice) => ({ ...choice, key: false })),
  }),
};

/** What those of them have in common whose answers are written one below the other. */
export const listed = {
  ...choosing,
  tidy: <C extends Choosing>(content: C): C => ({ ...content, choices: content.choices.filter((c) => c.text.trim() !== '' || !!c.says) }),
  withLines: <C extends Choosing>(content: C, lines: string[]): C => ({
    ...content,
    choices: lines.reduce<Choice[]>(
      (all, text) => [...all, { id: nextId(all), text, key: all.length === 0 }],
      content.choices.filter((choice) => choice.text !== ''),
    ),
  }),
};
