import { Fragment, useState } from 'react';
import { Rich } from '../../parts/text/Rich';
import { AtAnswer } from '../common/answers/AtAnswer';
import { ListOf } from '../common/answers/ListOf';
import { mapIn, withPart } from '../common/answers/answers';
import type { AnswerProps } from '../kindUi';

/** The stem with its gaps open: each typed into, or picked from its list. */
export function GapsAnswer({ question, response, onRespond }: AnswerProps<'gaps'>) {
  const [filled, setFilled] = useState(() => mapIn(response, 'gaps'));
  const { gaps } = question.answers;
  const pieces = question.stem.split(/_{3,}/);
  const change = (n: number, value: string, typing: boolean) => {
    setFilled({ ...filled, [n]: value });
    onRespond(withPart({ gaps: filled }, 'gaps', n, value), typing);
  };
  const gap = (n: number) => {
    const list = gaps[n - 1];
    return list ? (
      <ListOf
        className="gap"
        label={`Gap ${n}`}
        entries={list}
        chosen={filled[n]}
        none="…"
        closed={question.closed}
        onChoose={(entry) => change(n, entry, false)}
      />
    ) : (
      <input
        className="gap"
        aria-label={`Gap ${n}`}
        autoComplete="off"
        disabled={question.closed}
        style={{ width: `${Math.max(9, (filled[n] ?? '').length + 2)}ch` }}
        value={filled[n] ?? ''}
        onChange={(e) => change(n, e.target.value, true)}
      />
    );
  };
  return (
    <p className="stem leading-[1.9]! whitespace-pre-line">
      {pieces.map((piece, i) => (
        <Fragment key={i}>
          <Rich text={piece} inline />
          {i < pieces.length - 1 && gap(i + 1)}
          <AtAnswer n={i + 1} atAnswers={question.atAnswers} />
        </Fragment>
      ))}
    </p>
  );
}
