import { Link } from 'react-router';
import type { Schema } from '../../../api/client';
import { figure } from '../../../parts/text/figures';
import { type Blueprint, numbered } from '../document';
import { Bars } from './Bars';
import { csvOf } from './csv';

type Result = Schema['Simulated'];

const order = ['objective', 'kind', 'difficulty'];

const percent = (n: number, of: number) => `${Math.round((1000 * n) / Math.max(1, of)) / 10} %`;

/** Where nothing stands between two values the gap is shown. */
function filled(bars: { at: number; n: number }[]): { at: string; n: number }[] {
  const [first, last] = [bars[0], bars.at(-1)];
  if (!first || !last || last.at - first.at > 120) return bars.map(({ at, n }) => ({ at: String(at), n }));
  const by = new Map(bars.map(({ at, n }) => [at, n]));
  return Array.from({ length: last.at - first.at + 1 }, (_, i) => ({ at: String(first.at + i), n: by.get(first.at + i) ?? 0 }));
}

/** What came of dealing many forms: plots with their numbers, what each draw gave, and the questions that are seen most. */
export function Simulated({ blueprint, result }: { blueprint: Blueprint; result: Result }) {
  const asking = numbered(blueprint.document).filter(({ step }) => 'draw' in step || 'question' in step);
  const [low, high] = [result.worths[0], result.worths.at(-1)];
  const same = low?.points === high?.points;
  const rows = result.questions.map((q) => [q.name, q.objective, q.kind, String(q.seen), percent(q.seen, result.forms)]);
  return (
    <div className="mt-3 space-y-4">
      <div className="grid gap-x-8 gap-y-4 sm:grid-cols-2">
        <Bars
          title="Worth of a form"
          along="points"
          counts="forms"
          bars={result.worths.map(({ points, forms }) => ({ at: points, n: forms }))}
          says={
            low ? (same ? `${figure(low.points)} points, every one` : `${figure(low.points)} to ${figure(high?.points ?? '')} points`) : ''
          }
        />
        <Bars
          title="How often questions are seen"
          along="percent of forms"
          counts="questions"
          bars={filled(result.exposure.map(({ percent: at, questions: n }) => ({ at, n })))}
          says={`by ${result.exposure[0]?.percent ?? 0} to ${result.exposure.at(-1)?.percent ?? 0} % of candidates`}
        />
        <Bars
          title="What two forms share"
          along="questions in both"
          counts="pairs of forms"
          bars={filled(result.overlap.pairs.map(({ shared: at, pairs: n }) => ({ at, n })))}
          says={`${figure(String(Math.round(Number(result.overlap.mean) * 100) / 100))} on average`}
        />
      </div>
      <table className="w-full text-sm">
        <caption className="text-left">
          <b>In a form</b> <span className="path">the fewest and the most questions of each</span>
        </caption>
        <thead>
          <tr>
            <th className="text-left font-normal">of</th>
            <th className="text-right font-normal">fewest</th>
            <th className="text-right font-normal">most</th>
            <th className="text-right font-normal">on average</th>
          </tr>
        </thead>
        <tbody>
          {result.asked
            .toSorted((a, b) => order.indexOf(a.what) - order.indexOf(b.what))
            .map(({ what, word, least, most, mean }) => (
              <tr key={`${what} ${word}`} className="border-t border-rule">
                <td>
                  {word === '' ? 'no objective' : word} <span className="path">{what}</span>
                </td>
                <td className="fig text-right">{least}</td>
                <td className={`fig text-right ${least === most ? '' : 'font-semibold'}`}>{most}</td>
                <td className="fig text-right">{figure(String(Math.round(Number(mean) * 100) / 100))}</td>
              </tr>
            ))}
        </tbody>
      </table>
      {result.steps.length > 0 && (
        <table className="w-full text-sm">
          <caption className="text-left">
            <b>By draw</b> <span className="path">how often its questions were dealt by it</span>
          </caption>
          <thead>
            <tr>
              <th className="text-left font-normal">step</th>
              <th className="text-right font-normal">takes</th>
              <th className="text-right font-normal">least seen</th>
              <th className="text-right font-normal">most seen</th>
            </tr>
          </thead>
          <tbody>
            {result.steps.map(({ step, take, fit, least, most }) => (
              <tr key={step} className="border-t border-rule">
                <td>{asking[step - 1]?.number ?? step}</td>
                <td className="fig text-right">
                  {take} of {fit}
                </td>
                <td className="fig text-right">{percent(least, result.forms)}</td>
                <td className="fig text-right">{percent(most, result.forms)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <details>
        <summary className="act w-fit cursor-pointer">the {result.questions.length} questions that are seen most</summary>
        <p className="mt-1">
          <a className="act" href={csvOf([['question', 'objective', 'kind', 'forms', 'of all forms'], ...rows])} download="exposure.csv">
            as a CSV
          </a>
        </p>
        <ol>
          {result.questions.slice(0, 100).map(({ id, name, stem, seen }) => (
            <li key={id} className="grid grid-cols-[1fr_5rem] items-baseline gap-2 border-t border-rule py-1">
              <Link className="truncate text-ink no-underline hover:underline" to={`/banks/${blueprint.bank.id}/questions/${id}`}>
                <span className="font-reading">{stem === '' ? name : stem}</span> <span className="path">{name}</span>
              </Link>
              <span className="fig text-right">{percent(seen, result.forms)}</span>
            </li>
          ))}
        </ol>
      </details>
    </div>
  );
}
