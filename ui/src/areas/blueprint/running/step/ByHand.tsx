import { useState } from 'react';
import { count } from '../../../../parts/text/figures';
import type { Blueprint, Pool } from '../../document';
import { useFound } from '../../../bank/find/useFound';

/** Whoever opens it types at once. */
const focusOnce = (input: HTMLInputElement | null) => input?.focus();

interface Props {
  blueprint: Blueprint;
  pool: Pool;
  readOnly: boolean;
  onPool: (part: Partial<Record<keyof Pool, string[]>>) => void;
}

const ways = [
  { list: 'only', does: 'only these', undo: 'all that fit again' },
  { list: 'also', does: 'these as well', undo: 'not as well' },
  { list: 'without', does: 'without these', undo: 'let it fit again' },
] as const;

/** Questions of a draw that are picked by hand: in, out, or nothing but these. */
export function ByHand({ blueprint, pool, readOnly, onPool }: Props) {
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const bank = blueprint.bank.id;
  const found = useFound(bank, open ? typed : '', 2);
  const listed = (list: (typeof ways)[number]['list']) => pool[list] ?? [];
  const stem = (name: string) => blueprint.questions[name]?.stem ?? '';
  const picked = ways.some(({ list }) => listed(list).length > 0);
  const put = (list: (typeof ways)[number]['list'], name: string) => onPool({ [list]: [...listed(list), name] });
  return (
    <div>
      {ways.map(
        ({ list, does, undo }) =>
          listed(list).length > 0 && (
            <div key={list}>
              {does} ({count(listed(list).length, 'question')}):
              <ul className="pl-4">
                {listed(list).map((name) => (
                  <li key={name}>
                    <span className="font-reading">{stem(name) === '' ? name : stem(name)}</span> <span className="path">{name}</span>{' '}
                    {!readOnly && (
                      <button
                        className="act text-sm"
                        aria-label={`${undo}: ${name}`}
                        onClick={() => onPool({ [list]: listed(list).filter((one) => one !== name) })}
                      >
                        take out
                      </button>
                    )}
                  </li>
                ))}
              </ul>
            </div>
          ),
      )}
      {!readOnly && (
        <p>
          <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
            {picked ? 'pick more by hand' : 'pick questions by hand'}
          </button>
        </p>
      )}
      {open && (
        <div className="pt-1">
          <input
            className="field w-full"
            aria-label="Find questions to pick"
            ref={focusOnce}
            placeholder="a few letters of a question or its name"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
          />
          <ul>
            {found.questions.map(({ id, words, more }) => {
              const name = `q${id}`;
              const own = Object.entries(blueprint.questions).filter(([, known]) => known.id === id);
              return (
                <li key={id} className="flex flex-wrap items-baseline gap-x-3 border-t border-rule py-1">
                  <span className="min-w-0 grow truncate font-reading">
                    {words} <span className="path">{more}</span>
                  </span>
                  {ways.map(({ list, does }) => (
                    <button
                      key={list}
                      className="act text-sm"
                      aria-label={`${does}: ${words}`}
                      disabled={[name, ...own.map(([known]) => known)].some((one) => listed(list).includes(one))}
                      onClick={() => put(list, name)}
                    >
                      {does}
                    </button>
                  ))}
                </li>
              );
            })}
          </ul>
        </div>
      )}
    </div>
  );
}
