import { inWords } from '../../../parts/text/inWords';
import { Rich } from '../../../parts/text/Rich';
import type { AskedQuestion } from '../../content';
import { AtAnswer } from './AtAnswer';
import { ListOf } from './ListOf';

interface Props {
  parts: string[];
  targets: string[];
  /** what was given to each part, by its number from 1 */
  given: Record<string, string>;
  closed: boolean;
  atAnswers: AskedQuestion['atAnswers'];
  onGive: (part: number, target: string) => void;
}

/** Each part with a list of what it can be given. */
export function Matching({ parts, targets, given, closed, atAnswers, onGive }: Props) {
  return (
    <ul className="my-3">
      {parts.map((part, i) => (
        <li key={i} className="flex flex-wrap items-baseline gap-x-4 gap-y-1 border-t border-rule py-2">
          <span className="min-w-40 flex-1 font-reading text-[18px]">
            <Rich text={part} inline />
          </span>
          <ListOf
            className="field max-w-full flex-1 font-reading text-[17px]"
            label={`For “${inWords(part)}”`}
            entries={targets}
            chosen={given[i + 1]}
            none="–"
            closed={closed}
            onChoose={(target) => onGive(i + 1, target)}
          />
          {atAnswers.length > 0 && (
            <span className="at-part w-26 shrink-0">
              <AtAnswer n={i + 1} atAnswers={atAnswers} />
            </span>
          )}
        </li>
      ))}
    </ul>
  );
}
