import { useQuery } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { pagesQuery, poolsQuery } from '../../../api/queries';
import type { Blueprint } from '../document';
import { type Offer, offers } from './typedStep';
import { useFound } from '../../bank/find/useFound';

interface Props {
  blueprint: Blueprint;
  onPut: (offer: Offer) => void;
  onLeave: () => void;
}

/** One line in which the next step is typed: what fits stands below it, Enter puts the chosen one in. */
export function AddStep({ blueprint, onPut, onLeave }: Props) {
  const bank = blueprint.bank.id;
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const list = useId();
  const pages = useQuery(pagesQuery(bank)).data?.pages ?? [];
  const pools = useQuery(poolsQuery(bank)).data?.pools ?? [];
  const found = useFound(bank, /^\s*\d/.test(typed) ? '' : typed, 2);
  const lines = offers(typed, {
    objectives: blueprint.board.rows.map(({ objective }) => objective.path).filter((path) => path !== ''),
    pages: pages.map(({ name }) => name),
    pools: pools.map(({ name }) => name),
    questions: found.questions.map(({ id, words, more }) => ({ name: `q${id}`, stem: more === '' ? words : `${words} · ${more}` })),
  });
  const chosen = Math.min(at, Math.max(0, lines.length - 1));
  const put = (offer: Offer | undefined) => {
    if (!offer) return;
    setTyped('');
    setAt(0);
    onPut(offer);
  };
  return (
    <div className="py-2 pr-2 pl-[82px]">
      <input
        className="field w-full"
        role="combobox"
        aria-expanded={lines.length > 0}
        aria-controls={list}
        aria-activedescendant={lines.length > 0 ? `${list}-${chosen}` : undefined}
        aria-label="The next step"
        placeholder="3 of Hive inspection, one · a question · a page · checkpoint · section …"
        ref={(input) => input?.focus()}
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setAt(0);
        }}
        onBlur={(e) => {
          if (typed.trim() === '' && !e.currentTarget.parentElement?.contains(e.relatedTarget)) onLeave();
        }}
        onKeyDown={(e) => {
          const way = { ArrowDown: 1, ArrowUp: -1 }[e.key];
          if (way !== undefined) setAt(Math.min(lines.length - 1, Math.max(0, chosen + way)));
          else if (e.key === 'Enter') put(lines[chosen]);
          else if (e.key === 'Escape') onLeave();
          else return;
          e.preventDefault();
          e.stopPropagation();
        }}
      />
      <div id={list} role="listbox" aria-label="What can be put in">
        {lines.map((line, i) => (
          <button
            key={`${line.more} ${line.words}`}
            id={`${list}-${i}`}
            role="option"
            aria-selected={i === chosen}
            tabIndex={-1}
            className={`flex w-full items-baseline gap-3 px-2 py-1 text-left ${i === chosen ? 'bg-tint' : ''}`}
            onPointerDown={(e) => e.preventDefault()}
            onClick={() => put(line)}
            onMouseMove={() => setAt(i)}
          >
            <span className="min-w-0 truncate">
              {line.words} <span className="path ml-2">{line.more}</span>
            </span>
          </button>
        ))}
      </div>
      {typed.trim() !== '' && lines.length === 0 && (
        <p className="px-2 py-1 text-quiet" role="status">
          {found.isLooking
            ? 'looking …'
            : /^\d/.test(typed.trim())
              ? 'No objective, kind or pool is called so. Write “3 of Hive inspection, one”, or “2 of claim”.'
              : 'No question, page or pool of this bank has these letters.'}
        </p>
      )}
    </div>
  );
}
