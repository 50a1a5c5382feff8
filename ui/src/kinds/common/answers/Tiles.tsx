import { Fragment } from 'react';
import { RadioGroup } from 'radix-ui';
import { Rich } from '../../../parts/text/Rich';
import { AtAnswer } from './AtAnswer';
import { Players } from './Players';
import { inWords } from '../../../parts/text/inWords';
import type { AskedQuestion } from '../../content';

export const tileLayout = (layout: string | null) => ({ 'two columns': 'tiles two', row: 'tiles across' })[layout ?? ''] ?? 'tiles';

interface Props {
  /** what is answered by them */
  stem: string;
  choices: string[];
  layout: string | null;
  closed: boolean;
  /** from 1 */
  chosen: number | undefined;
  atAnswers: AskedQuestion['atAnswers'];
  onChoose: (n: number) => void;
}

/** Tiles of which one is chosen, by pressing it or with the arrow keys. */
export function Tiles({ stem, choices, layout, closed, chosen, atAnswers, onChoose }: Props) {
  return (
    <RadioGroup.Root
      aria-label={`Answers to: ${inWords(stem)}`}
      className={tileLayout(layout)}
      disabled={closed}
      value={chosen === undefined ? '' : String(chosen)}
      onValueChange={(value) => onChoose(Number(value))}
    >
      {choices.map((choice, i) => (
        <Fragment key={i}>
          <RadioGroup.Item value={String(i + 1)} className="tile">
            <Rich text={choice} inline still />
            <AtAnswer n={i + 1} atAnswers={atAnswers} />
          </RadioGroup.Item>
          <Players text={choice} />
        </Fragment>
      ))}
    </RadioGroup.Root>
  );
}
