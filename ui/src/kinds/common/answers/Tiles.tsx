import { Fragment } from 'react';
import { RadioGroup } from 'radix-ui';
import { Outcome } from '../../../parts/Gauge';
import { Rich } from '../../../parts/text/Rich';
import { Players } from './Players';
import type { AskedQuestion } from '../../content';

export const tileLayout = (layout: string | null) => ({ 'two columns': 'tiles two', row: 'tiles across' })[layout ?? ''] ?? 'tiles';

interface Props {
  choices: string[];
  layout: string | null;
  closed: boolean;
  /** from 1 */
  chosen: number | undefined;
  atAnswers: AskedQuestion['atAnswers'];
  onChoose: (n: number) => void;
}

/** Tiles of which one is chosen, by pressing it or with the arrow keys. */
export function Tiles({ choices, layout, closed, chosen, atAnswers, onChoose }: Props) {
  return (
    <RadioGroup.Root
      aria-label="Answers"
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

/** The outcome that stands at an answer, once it is told. */
export function AtAnswer({ n, atAnswers }: { n: number; atAnswers: AskedQuestion['atAnswers'] }) {
  const at = atAnswers.find((one) => one.n === n);
  return (
    at && (
      <span className="at-answer">
        <Outcome outcome={at.outcome} />
      </span>
    )
  );
}
