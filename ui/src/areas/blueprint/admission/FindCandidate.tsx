import { useId, useState } from 'react';
import type { Schema } from '../../../api/client';
import { count } from '../../../parts/text/figures';

/** So many are shown at once; more letters narrow them down. */
const SHOWN = 8;

interface Props {
  label: string;
  candidates: Schema['Groups']['candidates'];
  onFound: (candidate: number) => void;
}

/** Somebody is sought by any part of their name or log-in, seen in the list, and then taken by a press: nobody comes in unseen. */
export function FindCandidate({ label, candidates, onFound }: Props) {
  const [typed, setTyped] = useState('');
  const id = useId();
  const parts = typed.trim().toLowerCase().split(/\s+/).filter(Boolean);
  const fitting = candidates.filter(({ name, login }) => parts.every((part) => `${name} ${login}`.toLowerCase().includes(part)));
  return (
    <div>
      <label htmlFor={id}>{label} </label>
      <input
        id={id}
        className="field w-44"
        placeholder="part of a name or log-in"
        autoComplete="off"
        value={typed}
        onChange={(e) => setTyped(e.target.value)}
      />
      {parts.length > 0 && (
        <ul role="status" className="pt-1 pl-3">
          {fitting.slice(0, SHOWN).map(({ id: one, name, login }) => (
            <li key={one}>
              <button
                type="button"
                className="act"
                onClick={() => {
                  setTyped('');
                  onFound(one);
                }}
              >
                {name}
              </button>{' '}
              <span className="text-quiet">{login}</span>
            </li>
          ))}
          {fitting.length === 0 && <li className="text-quiet">nobody of that name</li>}
          {fitting.length > SHOWN && <li className="text-quiet">and {count(fitting.length - SHOWN, 'other')}; type more letters</li>}
        </ul>
      )}
    </div>
  );
}
