import { type ReactNode, use } from 'react';
import type { Schema } from '../../../api/client';
import { figure, points } from '../../../parts/text/figures';
import { Outcome } from '../../../parts/Gauge';
import { Rich } from '../../../parts/text/Rich';
import { PagesContext } from '../../../parts/text/media';
import { Row } from '../../../parts/PageAndMargin';
import { AsGiven } from '../../../kinds/AsGiven';
import { AnswerLines } from '../../../kinds/common/answers/AnswerLines';

type Review = Schema['Review'];

/** What the whole has come to: closing page, tallies with their bands, objectives. */
export function Ending({ review: data }: { review: Review }) {
  return (
    <>
      <ClosingPage name={data.closing} />
      {data.tallies.map((tally, i) => (
        <div key={i}>
          <Row
            page={
              <p>
                {tally.tally !== null && (
                  <>
                    {tally.tally} <b className="fig">{tally.value}</b>
                    {tally.band !== null && ': '}
                  </>
                )}
                {tally.band}
              </p>
            }
            margin={null}
          />
          <ClosingPage name={tally.page} />
        </div>
      ))}
      <Objectives review={data} />
      {data.route.length > 0 && (
        <Row
          page={
            <p>
              The way through it:{' '}
              {data.route.map(({ after, to }) => `after “${after}” ${to === null ? 'straight on' : `to “${to}”`}`).join(', ')}.
            </p>
          }
        />
      )}
    </>
  );
}

/** The page that the assessment, or the band of a tally, closes with. */
function ClosingPage({ name }: { name: string | null }) {
  const pages = use(PagesContext);
  const page = name === null ? undefined : pages[name];
  if (!page) return null;
  return (
    <Row
      page={
        <section>
          {page.heading && <h2 className="font-reading text-[19px]">{page.heading}</h2>}
          <Rich text={page.reads} className="font-reading" />
        </section>
      }
      margin={null}
    />
  );
}

export function Headline({ review }: { review: Review }) {
  const { total } = review;
  const pass = total?.pass?.percent
    ? `${total.pass.percent} %`
    : total?.pass?.points
      ? `${total.pass.points} ${points(total.pass.points)}`
      : null;
  return (
    <>
      <h1 className="stem">{review.passed === null ? 'Handed in' : review.passed ? 'Passed' : 'Not passed'}</h1>
      {total && (
        <p className="pt-1">
          <b className="fig">{total.earned}</b> of <b className="fig">{total.max}</b> {points(total.max)}
          {total.percent !== null && (
            <>
              , <b className="fig">{total.percent}</b> %
            </>
          )}{' '}
          · <b className="fig">{total.right}</b> of <b className="fig">{total.asked}</b> right
          {pass && ` · ${pass} pass`}
        </p>
      )}
    </>
  );
}

/** How each objective went, as a bar with its figures, and whether its minimum was met. */
function Objectives({ review: { objectives, minimums } }: { review: Review }) {
  if (objectives.length === 0) return null;
  const under = minimums.filter(({ objective }) => !objectives.some((one) => one.objective === objective));
  return (
    <Row
      page={
        <div className="overflow-x-auto pt-3 pb-4">
          <table className="ledger max-w-2xl">
            <thead>
              <tr>
                <th scope="col">objective</th>
                <th scope="col">right</th>
                <th scope="col">points</th>
                <th scope="col">%</th>
                {minimums.length > 0 && (
                  <th scope="col" className="max-sm:hidden">
                    at least
                  </th>
                )}
              </tr>
            </thead>
            <tbody>
              {objectives.map((o) => (
                <tr key={o.objective}>
                  <th scope="row">
                    {o.objective}
                    <span className="mt-1 block h-1.5 max-w-60 bg-tint" aria-hidden>
                      <span className="block h-1.5 bg-moss" style={{ width: `${Math.min(100, Math.max(0, Number(o.percent ?? 0)))}%` }} />
                    </span>
                    {minimums.some(({ objective }) => objective === o.objective) && (
                      <span className="block text-sm font-normal sm:hidden">
                        at least <Minimums all={minimums} objective={o.objective} />
                      </span>
                    )}
                  </th>
                  <td className="c">
                    {o.right}
                    <small> of {o.asked}</small>
                  </td>
                  <td className="c">
                    {figure(o.earned)}
                    <small> of {o.max}</small>
                  </td>
                  <td className="c">{o.percent ?? ''}</td>
                  {minimums.length > 0 && (
                    <td className="text-right whitespace-nowrap max-sm:hidden">
                      <Minimums all={minimums} objective={o.objective} />
                    </td>
                  )}
                </tr>
              ))}
            </tbody>
          </table>
          {under.map((minimum) => (
            <p key={minimum.objective} className="pt-1">
              {minimum.objective.replaceAll(' > ', ' › ')}: at least <Met minimum={minimum} />
            </p>
          ))}
        </div>
      }
    />
  );
}

/** What was wanted of an objective, beside it; on a narrow screen beneath its name. */
function Minimums({ all, objective }: { all: Review['minimums']; objective: string }) {
  return all.filter((one) => one.objective === objective).map((minimum) => <Met key={minimum.objective} minimum={minimum} />);
}

function Met({ minimum: { needs, met } }: { minimum: Review['minimums'][number] }) {
  const least = needs.percent ? `${needs.percent} %` : `${needs.points ?? ''} ${points(needs.points ?? '')}`;
  return (
    <>
      {least},{' '}
      <span className={met === false ? 'text-wrong' : ''}>{met === null ? 'nothing of it was asked' : met ? 'met' : 'not met'}</span>
    </>
  );
}

export function Marked({ question: q, who = 'you', more }: { question: Review['questions'][number]; who?: string; more?: ReactNode }) {
  return (
    <Row
      line
      className="py-3!"
      page={
        <>
          <div className="flex gap-3">
            <span className="fig pt-0.5 text-quiet">{q.n}</span>
            <div className="min-w-0 flex-1">
              <AsGiven question={q} given={q.given} who={who} />
              {q.key.length > 0 && q.outcome !== 'right' && !standsAtChoices(q) && (
                <p>
                  <span className="text-soft">right: </span>
                  <span className="font-reading">
                    <AnswerLines lines={q.key} />
                  </span>
                </p>
              )}
            </div>
          </div>
        </>
      }
      margin={
        <>
          {q.outcome && (
            <p>
              <Outcome outcome={q.outcome} earned={q.earned} max={q.max} />
              {q.graded ? (
                <>
                  , <b className="fig">{figure(q.earned ?? '')}</b> of <b className="fig">{q.max}</b>
                </>
              ) : (
                q.outcome !== 'recorded' && ', ungraded'
              )}
            </p>
          )}
          {q.said.map((text, i) => (
            <Rich key={i} text={text} className="say" />
          ))}
          {(q.working.length > 1 || (q.outcome === 'partly right' && q.earned === q.max)) && (
            <p className="text-quiet">{q.working.join('; ')}</p>
          )}
          {more}
        </>
      }
    />
  );
}

/** Whether the right answer stands where it was to be chosen. */
const standsAtChoices = ({ answers, atAnswers }: Review['questions'][number]) =>
  'choices' in answers && atAnswers.some(({ outcome }) => outcome === 'right');
