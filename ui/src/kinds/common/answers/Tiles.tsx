import { RadioGroup } from 'radix-ui';
import { Rich } from '../../../parts/text/Rich';

export const tileLayout = (layout: string | null) => ({ 'two columns': 'tiles two', row: 'tiles across' })[layout ?? ''] ?? 'tiles';

interface Props {
  choices: string[];
  layout: string | null;
  closed: boolean;
  /** from 1 */
  chosen: number | undefined;
  onChoose: (n: number) => void;
}

/** Tiles of which one is chosen, by pressing it or with the arrow keys. */
export function Tiles({ choices, layout, closed, chosen, onChoose }: Props) {
  return (
    <RadioGroup.Root
      aria-label="Answers"
      className={tileLayout(layout)}
      disabled={closed}
      value={chosen === undefined ? '' : String(chosen)}
      onValueChange={(value) => onChoose(Number(value))}
    >
      {choices.map((choice, i) => (
        <RadioGroup.Item key={i} value={String(i + 1)} className="tile">
          <Rich text={choice} inline />
        </RadioGroup.Item>
      ))}
    </RadioGroup.Root>
  );
}
