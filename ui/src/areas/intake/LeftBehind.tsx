import { useState } from 'react';
import { count } from '../../parts/text/figures';
import type { Beside } from './useOpened';

/** Entries that are shown at once; a package of thousands would be a wall. */
const AT_FIRST = 12;

/** What of a package did not come along: told item by item before anything is taken in. */
export function LeftBehind({ beside, onRead }: { beside: Beside; onRead: () => void }) {
  const { unmatched, problems, pictures, blueprints = [] } = beside;
  const [all, setAll] = useState(false);
  const waiting = Object.keys(pictures).length;
  const entries = [
    ...problems.map(({ file, line, message }) => ({ item: file ?? '', what: message, where: `line ${line}`, isProblem: true })),
    ...unmatched.map(({ item, what, file, line }) => ({
      item,
      what,
      where: file === item ? '' : `${file}, line ${line}`,
      isProblem: false,
    })),
  ];
  return (
    <section aria-label="What did not come along" className="mt-2">
      {waiting > 0 && (
        <p>
          {count(waiting, 'file')} with pictures or sound {waiting === 1 ? 'comes' : 'come'} along with the questions that show them.
        </p>
      )}
      {blueprints.length > 0 && (
        <p>
          {blueprints.length === 1 ? 'A test comes' : `${blueprints.length} tests come`} along as{' '}
          {blueprints.length === 1 ? 'a blueprint' : 'blueprints'}: {blueprints.map(({ title }) => `“${title}”`).join(', ')}.
        </p>
      )}
      {entries.length > 0 && (
        <>
          <p>
            {unmatched.length > 0 &&
              `${count(unmatched.length, 'thing')} in it ${unmatched.length === 1 ? 'has' : 'have'} no counterpart here and ${unmatched.length === 1 ? 'stays' : 'stay'} behind. `}
            {problems.length > 0 && <span className="text-wrong">{count(problems.length, 'problem')}. </span>}
            <button className="act" onClick={onRead}>
              That is read
            </button>
          </p>
          <table className="mt-1 w-full">
            <thead className="sr-only">
              <tr>
                <th>item</th>
                <th>what</th>
                <th>where</th>
              </tr>
            </thead>
            <tbody>
              {(all ? entries : entries.slice(0, AT_FIRST)).map(({ item, what, where, isProblem }, i) => (
                <tr key={i} className="border-t border-(--rule) align-baseline">
                  <td className="py-1 pr-3">{item}</td>
                  <td className={`py-1 pr-3 ${isProblem ? 'text-wrong' : ''}`}>{what}</td>
                  <td className="py-1 text-right text-quiet">{where}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {!all && entries.length > AT_FIRST && (
            <button className="act mt-1" onClick={() => setAll(true)}>
              all {entries.length}
            </button>
          )}
        </>
      )}
    </section>
  );
}
