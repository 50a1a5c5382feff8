import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, dataOf, errorWords } from '../../../api/client';
import { useFound } from '../find/useFound';
import type { Edit, Question } from './useDraft';

/** Whoever opens it types at once. */
const focusOnce = (input: HTMLInputElement | null) => input?.focus();

/** Which questions this one never meets in a form; each of them says so of this one, too. */
export function ApartLine({ question, edit, readOnly }: { question: Question; edit: Edit; readOnly: boolean }) {
  const { id, bank, apart } = question;
  const [open, setOpen] = useState(false);
  const [typed, setTyped] = useState('');
  const found = useFound(bank.id, open ? typed : '', 2).questions.filter((one) => one.id !== id && !apart.some((has) => has.id === one.id));
  const put = useMutation({
    scope: { id: `question:${id}` },
    mutationFn: (others: number[]) =>
      dataOf(api.PUT('/questions/{id}/apart', { params: { path: { id } }, body: { before: question.apart.map((one) => one.id), others } })),
    onSuccess: edit.rebase,
  });
  const others = apart.map((one) => one.id);
  if (readOnly && apart.length === 0) return null;
  return (
    <div>
      <p>
        {apart.length === 0 ? 'may meet any other question in a form' : 'never in a form together with'}
        {apart.map((one) => (
          <span key={one.id}>
            {' '}
            <Link className="act" to={`/banks/${bank.id}/questions/${one.id}`}>
              {one.words}
            </Link>
            {!readOnly && (
              <>
                {' '}
                <button
                  className="act text-sm"
                  aria-label={`Let it meet ${one.words}`}
                  disabled={put.isPending}
                  onClick={() => put.mutate(others.filter((other) => other !== one.id))}
                >
                  take out
                </button>
              </>
            )}
          </span>
        ))}
        {!readOnly && (
          <>
            {' · '}
            <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
              {apart.length === 0 ? 'keep it apart from …' : 'and from …'}
            </button>
          </>
        )}
      </p>
      {open && (
        <div className="py-1">
          <input
            className="field w-full"
            aria-label="A question it never meets"
            ref={focusOnce}
            placeholder="a few letters of a question or its name"
            value={typed}
            onChange={(e) => setTyped(e.target.value)}
            onKeyDown={(e) => e.key === 'Escape' && setOpen(false)}
          />
          <ul>
            {found.map((one) => (
              <li key={one.id} className="border-t border-rule py-1">
                <button
                  className="block w-full truncate text-left hover:bg-tint"
                  disabled={put.isPending}
                  onClick={() => {
                    put.mutate([...others, one.id]);
                    setOpen(false);
                    setTyped('');
                  }}
                >
                  {one.words} <span className="path">{one.more}</span>
                </button>
              </li>
            ))}
          </ul>
        </div>
      )}
      {put.error && (
        <p className="notice" role="alert">
          {errorWords(put.error)}
        </p>
      )}
    </div>
  );
}
