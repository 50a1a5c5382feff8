import { useChanged } from '../../api/changed';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { ApiError, api, dataOf, errorWords } from '../../api/client';
import { keys } from '../../api/keys';
import type { Blueprint } from './document';

/** The whole blueprint as text, for who would rather write it. What is typed is kept in the browser until it is saved. */
export function WholeText({ blueprint, onDone }: { blueprint: Blueprint; onDone?: () => void }) {
  const queries = useQueryClient();
  const changed = useChanged();
  const shelf = `zetema:whole:${blueprint.id}`;
  const stored = JSON.stringify(blueprint.document, null, 2);
  const [text, setText] = useState(() => localStorage.getItem(shelf) ?? stored);
  const save = useMutation({
    mutationFn: () => {
      const document = JSON.parse(text) as never;
      return dataOf(
        api.PUT('/blueprints/{id}/document', { params: { path: { id: blueprint.id } }, body: { version: blueprint.version, document } }),
      ) as Promise<unknown> as Promise<Blueprint>;
    },
    onSuccess: (saved) => {
      localStorage.removeItem(shelf);
      queries.setQueryData(keys.blueprint(blueprint.id), saved);
      void changed('blueprints');
      setText(JSON.stringify(saved.document, null, 2));
      onDone?.();
    },
  });
  const typed = (next: string) => {
    localStorage.setItem(shelf, next);
    setText(next);
    save.reset();
  };
  const back = () => {
    localStorage.removeItem(shelf);
    setText(stored);
    save.reset();
  };
  const problems = save.error instanceof ApiError ? (save.error.problem.problems ?? []) : [];
  return (
    <section aria-label="The whole blueprint as text">
      <textarea
        className="fig w-full border border-rule bg-sheet p-3 text-sm leading-snug"
        rows={Math.min(36, text.split('\n').length + 1)}
        spellCheck={false}
        aria-label="The whole blueprint as text"
        value={text}
        onChange={(e) => typed(e.target.value)}
      />
      {save.error && (
        <div role="alert" className="notice mt-2">
          {problems.length === 0 && (
            <p>{save.error instanceof SyntaxError ? `This is no JSON: ${save.error.message}` : errorWords(save.error)}</p>
          )}
          <ul>
            {problems.map((problem, i) => (
              <li key={i}>
                <b>{problem.where}</b>: {problem.message}
              </li>
            ))}
          </ul>
        </div>
      )}
      <p className="mt-2 flex flex-wrap items-baseline gap-4">
        <button className="btn main" disabled={text === stored || save.isPending} onClick={() => save.mutate()}>
          Save the whole
        </button>
        {text !== stored && (
          <button className="act" onClick={back}>
            Back to what is saved
          </button>
        )}
        <span className="text-sm text-soft" role="status">
          {text === stored ? 'saved' : 'kept here, not saved yet'}
        </span>
      </p>
    </section>
  );
}
