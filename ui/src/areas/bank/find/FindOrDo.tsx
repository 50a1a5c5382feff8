import { Dialog } from 'radix-ui';
import { useId, useState } from 'react';
import { useNavigate } from 'react-router';
import type { Schema } from '../../../api/client';
import { useKeys } from '../../../parts/hooks/useKeys';
import { type Account, mayEdit } from '../../people/session';
import { actions, fitting } from './actions';
import { useFound } from './useFound';

type Found = Schema['Found']['found'][number];
interface Line {
  key: string;
  what: string;
  words: string;
  more: string;
  path: string;
}

const pathOf = (bank: number, { what, id }: Found) =>
  ({
    objective: `/banks/${bank}/questions?objective=${id}`,
    assessment: `/banks/${bank}/blueprints/${id}`,
    page: `/banks/${bank}/pages/${id}`,
    pool: `/banks/${bank}/questions?pool=${id}`,
    question: `/banks/${bank}/questions/${id}`,
    person: `/banks/${bank}/history?what=saves&who=${id}`,
  })[what];

/** Any question, objective, pool, page, assessment, person or action by a few letters, from wherever one is: Ctrl K. */
export function FindOrDo({ bank, account }: { bank: number; account: Account }) {
  const [open, setOpen] = useState(false);
  useKeys((e) => {
    if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'k') {
      e.preventDefault();
      setOpen(true);
    }
  });
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Trigger className="mr-4 underline underline-offset-3">
        Find or do <kbd className="ml-1 rounded-sm border border-current px-1 font-figures text-xs no-underline max-sm:hidden">Ctrl K</kbd>
      </Dialog.Trigger>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-20 bg-ink/20" />
        <Dialog.Content className="find" aria-describedby={undefined}>
          <Dialog.Title className="sr-only">Find or do</Dialog.Title>
          <Finder bank={bank} account={account} onDone={() => setOpen(false)} />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}

function Finder({ bank, account, onDone }: { bank: number; account: Account; onDone: () => void }) {
  const navigate = useNavigate();
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const list = useId();
  const found = useFound(bank, typed);
  const lines: Line[] = [
    ...fitting(actions(bank), typed, mayEdit(account)).map(({ words, path }) => ({ key: words, what: 'do', words, more: '', path })),
    ...found.all.map((one) => ({ ...one, key: `${one.what} ${one.id}`, path: pathOf(bank, one) })),
  ];
  const chosen = Math.min(at, Math.max(0, lines.length - 1));
  const go = (line: Line | undefined) => {
    if (!line) return;
    onDone();
    // Once the dialog is gone, which would be printed too.
    if (line.path === 'print') setTimeout(() => window.print(), 200);
    else void navigate(line.path);
  };
  return (
    <>
      <input
        className="field w-full"
        role="combobox"
        aria-expanded
        aria-controls={list}
        aria-activedescendant={lines.length > 0 ? `${list}-${chosen}` : undefined}
        aria-label="A question, an objective, a pool, a page, an assessment, or what to do"
        placeholder="a few letters of what you look for, or want to do"
        value={typed}
        onChange={(e) => {
          setTyped(e.target.value);
          setAt(0);
        }}
        onKeyDown={(e) => {
          const way = { ArrowDown: 1, ArrowUp: -1 }[e.key];
          if (way !== undefined) setAt(Math.min(lines.length - 1, Math.max(0, chosen + way)));
          else if (e.key === 'Enter') go(lines[chosen]);
          else return;
          e.preventDefault();
        }}
      />
      <div id={list} role="listbox" aria-label="Found" className="mt-2 max-h-[60vh] overflow-y-auto">
        {lines.map((line, i) => (
          <button
            key={line.key}
            id={`${list}-${i}`}
            role="option"
            aria-selected={i === chosen}
            tabIndex={-1}
            className={`flex w-full items-baseline gap-3 px-2 py-1.5 text-left ${i === chosen ? 'bg-tint' : ''}`}
            onClick={() => go(line)}
            onMouseMove={() => setAt(i)}
          >
            <span className="w-24 flex-none text-sm text-quiet">{line.what}</span>
            <span className="min-w-0 truncate">
              {line.words} <span className="path ml-2">{line.more}</span>
            </span>
          </button>
        ))}
      </div>
      {lines.length === 0 && (
        <p className="px-2 py-2 text-quiet" role="status">
          {found.isLooking ? 'looking …' : 'Nothing of this bank has these letters.'}
        </p>
      )}
    </>
  );
}
