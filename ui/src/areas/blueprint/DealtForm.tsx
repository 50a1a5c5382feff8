import { keys } from '../../api/keys';
import { useQuery } from '@tanstack/react-query';
import { useRef } from 'react';
import { Link } from 'react-router';
import { points } from '../../parts/text/figures';
import { api, errorWords, dataOf } from '../../api/client';
import { Editable } from '../../parts/fields/Editable';
import type { Blueprint } from './document';

/** One form as a candidate might get it: the same seed gives the same form. */
export function DealtForm({
  blueprint,
  seed,
  onSeed,
  onClose,
}: {
  blueprint: Blueprint;
  seed: number;
  onSeed: (seed: number) => void;
  onClose: () => void;
}) {
  const first = useRef(true);
  const form = useQuery({
    queryKey: keys.form(blueprint.id, blueprint.version, seed),
    queryFn: () => dataOf(api.POST('/blueprints/{id}/deal', { params: { path: { id: blueprint.id } }, body: { seed } })),
    retry: false,
  });
  return (
    <section
      className="mb-5 border-b-2 border-moss pb-4"
      aria-label="A form"
      ref={(section) => {
        if (first.current) section?.scrollIntoView({ block: 'nearest' });
        first.current = false;
      }}
    >
      <h2>
        <span className="head">a form</span>{' '}
        <span className="path">
          seed{' '}
          <Editable
            label="Seed"
            value={String(seed)}
            refuse={(v) => (/^\d{1,15}$/.test(v) ? null : 'a whole number of at most 15 digits')}
            onChange={(v) => onSeed(Number(v))}
          />
          {form.data && ` · ${form.data.points} ${points(form.data.points)}`} ·{' '}
          <button className="act" onClick={() => onSeed(seed + 1)}>
            another
          </button>{' '}
          <button className="act" onClick={onClose}>
            put it away
          </button>
        </span>
      </h2>
      {form.error && (
        <p className="notice mt-1" role="alert">
          {errorWords(form.error)}
        </p>
      )}
      <ol>
        {form.data?.questions.map((q, i) => (
          <li key={q.id} className="grid grid-cols-[26px_1fr_5rem_3rem] items-baseline gap-2 border-t border-rule py-1">
            <span className="fig text-quiet">{i + 1}</span>
            <Link
              className="truncate font-reading text-ink no-underline hover:underline"
              to={`/banks/${blueprint.bank.id}/questions/${q.id}`}
              title={q.objective ?? ''}
            >
              {q.stem}
            </Link>
            <span className="path">{q.kind}</span>
            <span className="fig text-right">{q.worth}</span>
          </li>
        ))}
      </ol>
    </section>
  );
}
