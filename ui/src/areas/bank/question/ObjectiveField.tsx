import { keys } from '../../../api/keys';
import { useQuery } from '@tanstack/react-query';
import { useId, useMemo, useState } from 'react';
import { api, dataOf } from '../../../api/client';

/** The objectives of a bank as they are typed, from the top: "Hive inspection > Reading a frame". */
export const useObjectives = (bank: number, enabled: boolean): string[] => useKnownObjectives(bank, enabled) ?? [];

/** The same; null until they are there. */
export function useKnownObjectives(bank: number, enabled: boolean): string[] | null {
  const board = useQuery({
    queryKey: keys.board(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/board', { params: { path: { id: bank } } })),
    enabled,
  });
  const rows = board.data?.rows;
  return useMemo(() => rows?.map((row) => row.objective.path).filter((path) => path !== '') ?? null, [rows]);
}

const focus = (button: HTMLButtonElement | null) => button?.focus();

/** As it is kept: levels parted by " > ", no blanks beside them. */
const tidied = (typed: string) =>
  typed
    .split('>')
    .map((name) => name.trim())
    .filter((name) => name !== '')
    .join(' > ');

/** Where a question stands in the tree. Offered from what there is; one that is not there yet is asked about once. */
export function ObjectiveField(props: { bank: number; value: string; readOnly: boolean; onChange: (objective: string) => void }) {
  const { bank, value, readOnly, onChange } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const [asked, setAsked] = useState<string | null>(null);
  // Fetched when one begins to type: every question is opened without it.
  const known = useObjectives(bank, typed !== null || asked !== null);
  const list = useId();
  const shown = value === '' ? 'no objective' : value;
  if (readOnly) return <b className="font-normal!">{shown}</b>;
  const settle = (objective: string) => {
    setTyped(null);
    setAsked(null);
    if (objective !== value) onChange(objective);
  };
  const done = () => {
    if (typed === null) return;
    const objective = tidied(typed);
    const same = known.find((path) => path.toLowerCase() === objective.toLowerCase());
    // Emptied by mistake it stays what it was; taking it away is said in words.
    if (objective === '' || objective === value) settle(value);
    else if (/^(no objective|none)$/i.test(objective)) settle('');
    else if (same !== undefined) settle(same);
    else {
      setTyped(null);
      setAsked(objective);
    }
  };
  if (asked !== null) {
    const near = known
      .filter((path) => path.toLowerCase().includes(asked.toLowerCase().split(' > ').at(-1)?.slice(0, 4) ?? ''))
      .slice(0, 3);
    return (
      <span role="alert">
        “{asked}” is no objective of this bank yet.{' '}
        {near.map((path, i) => (
          <button key={path} className="act mr-2" ref={i === 0 ? focus : undefined} onClick={() => settle(path)}>
            Take “{path}”
          </button>
        ))}
        <button className="act mr-2" ref={near.length === 0 ? focus : undefined} onClick={() => settle(asked)}>
          make a new one
        </button>
        <button className="act" onClick={() => setAsked(null)}>
          leave “{shown}”
        </button>
      </span>
    );
  }
  if (typed === null) {
    return (
      <button className="value font-normal!" aria-label={`Objective: ${shown}, change`} onClick={() => setTyped(value)}>
        {shown}
      </button>
    );
  }
  return (
    <>
      <input
        className="value border-b-copper font-normal!"
        style={{ width: `${Math.max(40, typed.length + 1)}ch`, maxWidth: '100%' }}
        aria-label="Objective, levels parted by >"
        list={list}
        value={typed}
        ref={(input) => {
          if (input && document.activeElement !== input) input.select();
        }}
        onChange={(e) => setTyped(e.target.value)}
        onBlur={done}
        onKeyDown={(e) => {
          if (e.key === 'Enter') {
            e.preventDefault();
            done();
          }
          if (e.key === 'Escape') setTyped(null);
        }}
      />
      <datalist id={list}>
        {known.map((path) => (
          <option key={path} value={path} />
        ))}
      </datalist>
    </>
  );
}
