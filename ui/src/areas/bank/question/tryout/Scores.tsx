import { keys } from '../../../../api/keys';
import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, errorWords, type Schema, dataOf } from '../../../../api/client';
import { figure } from '../../../../parts/text/figures';
import { AnswerLines } from '../../../../kinds/common/answers/AnswerLines';
import { outcomes } from '../../../../kinds/facts.gen';
import { Outcome } from '../../../../parts/Gauge';
import { Rich } from '../../../../parts/text/Rich';
import { Row } from '../../../../parts/PageAndMargin';
import type { Question } from '../useDraft';

type ScoreRow = Schema['Scores']['rows'][number];
type Sort = 'response' | 'outcome' | 'points';

const first = 12;

const sorts: Record<Sort, (a: ScoreRow, b: ScoreRow) => number> = {
  response: (a, b) => a.response.localeCompare(b.response, 'en', { numeric: true }),
  outcome: (a, b) => outcomes.indexOf(a.outcome) - outcomes.indexOf(b.outcome),
  points: (a, b) => Number(b.earned[0]) - Number(a.earned[0]),
};

/** What scores what: responses with outcome, points on each attempt and what is said. In the margin what guessing earns. */
export function Scores({ question }: { question: Question }) {
  const [all, setAll] = useState(false);
  const [sort, setSort] = useState<Sort | null>(null);
  const whole = question.problem === null;
  const scores = useQuery({
    queryKey: keys.scores(question.id, all),
    queryFn: () => dataOf(api.GET('/questions/{id}/scores', { params: { path: { id: question.id }, query: { all } } })),
    enabled: whole,
    placeholderData: (before) => before,
  });
  // A short table stands as the answers do; in a long one the best responses come first.
  const by = sort ?? ((scores.data?.total ?? 0) > first ? 'points' : null);
  const listed = scores.data?.rows ?? [];
  const rows = by === null ? listed : listed.toSorted(sorts[by]);
  const shown = all ? rows : rows.slice(0, first);
  const attempts = Math.max(1, ...rows.map((row) => row.earned.length));
  const total = scores.data?.total ?? 0;
  const head = (words: string, by: Sort) => (
    <button className="font-semibold" aria-pressed={sort === by} title={`Sort by ${by}`} onClick={() => setSort(sort === by ? null : by)}>
      {words}
      {sort === by && ' ↓'}
    </button>
  );
  return (
    <Row
      className="pt-5"
      page={
        <>
          <h2 className="head">what scores what</h2>
          {!whole && <p className="text-soft">As soon as the question is whole, every response stands here with its points.</p>}
          {scores.error && <p className="notice">{errorWords(scores.error)}</p>}
          {shown.length > 0 && (
            <div className="overflow-x-auto">
              <table className="ledger scores">
                <thead>
                  <tr>
                    <th scope="col">{head('response', 'response')}</th>
                    <th scope="col" className="text-left!">
                      {head('outcome', 'outcome')}
                    </th>
                    {Array.from({ length: attempts }, (_, i) => (
                      <th key={i} scope="col">
                        {i === 0 ? head(attempts === 1 ? 'points' : 'attempt 1', 'points') : `attempt ${i + 1}`}
                      </th>
                    ))}
                    <th scope="col" className="text-left!">
                      said on the first
                    </th>
                  </tr>
                </thead>
                <tbody>
                  {shown.map((row, i) => (
                    <tr key={i}>
                      <td>
                        <AnswerLines lines={row.lines} between={question.content.kind === 'order' ? ' › ' : ' · '} />
                      </td>
                      <td>
                        <Outcome outcome={row.outcome} earned={row.earned[0] ?? null} max={question.margin?.worth ?? null} />
                      </td>
                      {row.earned.map((earned, a) => (
                        <td key={a} className="c">
                          {figure(earned)}
                        </td>
                      ))}
                      <td className="text-sm">
                        {row.feedback.slice(1).map((text, t) => (
                          <Rich key={t} text={text} className="say" />
                        ))}
                      </td>
                    </tr>
                  ))}
                </tbody>
              </table>
            </div>
          )}
          {total > shown.length && (
            <button className="act mt-1" onClick={() => setAll(true)}>
              Show all {total}
            </button>
          )}
        </>
      }
      margin={<GuessAndTry question={question} />}
    />
  );
}

function GuessAndTry({ question }: { question: Question }) {
  const guess = useQuery({
    queryKey: keys.guess(question.id, question.version),
    queryFn: () => dataOf(api.GET('/questions/{id}/guess', { params: { path: { id: question.id } } })),
    enabled: question.problem === null,
    placeholderData: (before) => before,
  });
  if (question.problem !== null || !guess.data) return null;
  const { expected, right, why } = guess.data;
  return (
    <div className="pt-6">
      {expected !== null && (
        <p>
          by guessing: <b className="fig">{figure(expected)}</b> points on average
          {right !== null && right !== '0' && (
            <>
              , all of them with a chance of <b className="fig">{right}</b>
            </>
          )}
        </p>
      )}
      {why !== null && <p className="text-quiet">guessing: {why}</p>}
      <p>Any response can be tried on the question as seen, below.</p>
    </div>
  );
}
