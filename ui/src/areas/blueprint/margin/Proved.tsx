import { Link } from 'react-router';
import { count, figure, points } from '../../../parts/text/figures';
import { cellOf } from '../../bank/board/coverage';
import { type Blueprint, type Document, type DrawStep, numbered } from '../document';

interface Props {
  blueprint: Blueprint;
  document: Document;
  /** shows a step of the running order */
  onShow: (id: string) => void;
  /** says something at a step, as a remedy; missing where nothing may be changed */
  onSay?: (id: string, settings: NonNullable<DrawStep['settings']>) => void;
  /** puts in a draw of an objective */
  onDraw?: (objective: string) => void;
}

const span = (from: string | number, to: string | number) =>
  String(from) === String(to) ? figure(String(to)) : `${figure(String(from))} to ${figure(String(to))}`;

/** What every form comes to, path by path; and what keeps one from being dealt or sat, each at its step. */
export function Proved({ blueprint, document, onShow, onSay, onDraw }: Props) {
  const { proof, findings } = blueprint;
  const { all, count: ways, each } = proof.paths;
  const steps = numbered(document);
  const number = (id: string) => steps.find(({ step }) => step.id === id)?.number;
  const place = (to: number) => (to > steps.length ? 'the end' : String(to));
  return (
    <div className="space-y-3">
      <p>
        <b className="fig">{span(all.fewest, all.many)}</b> {all.many === 1 ? 'question' : 'questions'},{' '}
        {proof.shortage ? (
          'no form yet'
        ) : (
          <>
            <b className="fig">{span(all.least, all.most)}</b> {points(all.most)}
            <Minutes proof={proof} />
            {all.least === all.most ? ' in every form' : ways > 1 ? ' by path and form' : ', by what is drawn'}
          </>
        )}
      </p>
      {each.length > 1 && (
        <ul>
          {each.map((path, i) => (
            <li key={i}>
              {path.ways.map(({ step, to }) => `step ${number(step) ?? ''} → ${place(to)}`).join(', ')}:{' '}
              {span(path.asks.fewest, path.asks.many)} {path.asks.many === 1 ? 'question' : 'questions'},{' '}
              {span(path.asks.least, path.asks.most)} {points(path.asks.most)}
              {path.seconds !== null && proof.seconds !== path.seconds && `, ${minutes(path.seconds)} min`}
            </li>
          ))}
        </ul>
      )}
      {ways > each.length && each.length === 0 && ways > 1 && (
        <p>{ways >= 1_000_000 ? 'A million paths or more' : count(ways, 'path')} lead through it.</p>
      )}
      {proof.problem && <p className="text-wrong">{proof.problem}</p>}
      {findings.length > 0 && (
        <div role="alert">
          {findings.map(({ where, message }, i) => (
            <p key={i}>
              {number(where) !== undefined ? (
                <button className="act" onClick={() => onShow(where)}>
                  step {number(where)}
                </button>
              ) : (
                <b>{document.sections.find(({ id }) => id === where)?.title ?? 'the whole'}</b>
              )}{' '}
              <span className="text-wrong">{message}</span>
            </p>
          ))}
        </div>
      )}
      {proof.advice.map(({ where, subject, message }, i) => (
        <p key={i}>
          {number(where) !== undefined && (
            <button className="act" onClick={() => onShow(where)}>
              step {number(where)}
            </button>
          )}{' '}
          {message}
          {subject.startsWith('attempts ') && onSay && (
            <>
              {' '}
              <button className="act" onClick={() => onSay(where, { attempts: subject.slice(9) })}>
                give it {subject.slice(9)} attempts
              </button>
            </>
          )}
          {subject.startsWith('minimum ') && onDraw && (
            <>
              {' '}
              <button className="act" onClick={() => onDraw(subject.slice(8))}>
                draw one of it
              </button>
            </>
          )}
          {subject === 'loses' && onSay && (
            <>
              {' '}
              <button className="act" onClick={() => onSay(where, { stands: 'best' })}>
                let the best stand
              </button>
            </>
          )}
        </p>
      ))}
      <Unequal {...{ blueprint, document, onShow }} {...(onSay && { onSay })} />
      {proof.shortage ? <Shortage blueprint={blueprint} document={document} /> : <Exposure {...{ blueprint, document, onShow }} />}
    </div>
  );
}

const minutes = (seconds: number) => figure(String(Math.round((seconds / 60) * 100) / 100));

/** How long a sitting takes at most: on its longest path, and from its shortest on where they are told one by one. */
function Minutes({ proof: { seconds, paths } }: { proof: Blueprint['proof'] }) {
  const each = paths.each.map((path) => path.seconds);
  const known = each.filter((one) => one !== null);
  const most = each.length > 0 && known.length === each.length ? Math.max(...known) : seconds;
  if (most === null) return null;
  const least = known.length === each.length && each.length > 0 ? Math.min(...known) : most;
  return (
    <>
      ,{' '}
      <b className="fig">
        {least < most && `${minutes(least)} to `}
        {minutes(most)}
      </b>{' '}
      min
    </>
  );
}

/** Draws from questions of differing worth, so that one form comes to more than another; one worth for all of them is offered. */
function Unequal({ blueprint, document, onShow, onSay }: Props) {
  return numbered(document).map(({ step, number }) => {
    const asks = blueprint.proof.steps[step.id];
    if (!('draw' in step) || !asks || asks.least === asks.most) return null;
    const each = Number(asks.most) / asks.questions;
    return (
      <p key={step.id}>
        <button className="act" onClick={() => onShow(step.id)}>
          step {number}
        </button>{' '}
        takes questions of differing worth: {span(asks.least, asks.most)} points by what is drawn.
        {onSay && Number.isInteger(each * 100) && (
          <>
            {' '}
            <button className="act" onClick={() => onSay(step.id, { points: String(each) })}>
              let each count {figure(String(each))}
            </button>
          </>
        )}
      </p>
    );
  });
}

function Shortage({ blueprint, document }: { blueprint: Blueprint; document: Document }) {
  const { shortage } = blueprint.proof;
  if (!shortage) return null;
  const draws = numbered(document).filter(({ step }) => 'draw' in step);
  const short = shortage.draws.map((n) => draws[n - 1]).filter((at) => at !== undefined);
  const cell = short.length === 1 && short[0] ? cellOf(short[0].step as DrawStep) : null;
  const row = blueprint.board.rows.find((r) => r.objective.path === cell?.path);
  const which = short.map(({ number }) => number).join(' and ');
  return (
    <p className="text-wrong" role="alert">
      {short.length === 1 ? `Step ${which} asks` : `Steps ${which} together ask`} for {count(shortage.ask, 'question')}; only {shortage.fit}{' '}
      {shortage.fit === 1 ? 'fits' : 'fit'}. {count(shortage.ask - shortage.fit, 'question is', 'questions are')} missing: no form can be
      dealt.{' '}
      {cell && row && (
        <Link className="act" to={`/banks/${blueprint.bank.id}/questions?objective=${row.objective.id}&kind=${cell.kind}`}>
          See what there is
        </Link>
      )}
    </p>
  );
}

/** How often the questions of each draw are seen, and how much two forms share: told where draws do not take from each other's pools, and so exact; dealing many tells it otherwise. */
function Exposure({ blueprint, document, onShow }: Props) {
  const draws = numbered(document).flatMap(({ step, number }) => {
    const asks = blueprint.proof.steps[step.id];
    return asks?.fit ? [{ id: step.id, number, ...asks, fit: asks.fit }] : [];
  });
  if (draws.length === 0) return null;
  const shared = draws.reduce((sum, { questions, fit }) => sum + (questions * questions) / fit, 0) + fixed(document);
  const isExact = draws.every(({ overlaps }) => !overlaps);
  const thin = draws.filter(({ questions, fit }) => questions / fit > 0.5);
  const round = (n: number) => figure(String(Math.round(n * 10) / 10));
  return (
    <div className="space-y-1">
      {isExact && (
        <p>
          Two forms share <b className="fig">{round(shared)}</b> of their {blueprint.proof.questions} questions on average.
        </p>
      )}
      {thin.slice(0, 6).map(({ id, number, questions, fit, overlaps }) => (
        <p key={id}>
          <button className="act" onClick={() => onShow(id)}>
            step {number}
          </button>{' '}
          {questions >= fit
            ? 'every candidate sees the same'
            : `each of ${fit} is seen by ${overlaps ? 'about ' : ''}${Math.round((100 * questions) / fit)} % of candidates`}
        </p>
      ))}
      {thin.length > 6 && <p>and {thin.length - 6} more draws of which most questions are seen by more than half.</p>}
    </div>
  );
}

const fixed = (document: Document) => numbered(document).filter(({ step }) => 'question' in step).length;
