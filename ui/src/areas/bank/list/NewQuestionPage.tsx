import { useChanged } from '../../../api/changed';
import { keys } from '../../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { type SubmitEvent, useState } from 'react';
import { useNavigate, useParams, useSearchParams } from 'react-router';
import { api, errorWords, dataOf } from '../../../api/client';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import type { Kind } from '../../../kinds/content';
import { allKinds } from '../../../kinds/facts';
import { kinds } from '../../../kinds/facts.gen';

const known = allKinds.map((kind) => ({ kind, words: kinds[kind].names }));

/** "3 claim" is three of a kind; a number alone, or nothing, fits every kind. */
function understood(typed: string): { count: number; fitting: typeof known } {
  const [, number, words = ''] = /^\s*(\d{1,2})?\s*(.*?)\s*$/.exec(typed.toLowerCase()) ?? [];
  const fits = known.filter(({ words: names }) => names.some((name) => name.startsWith(words)));
  const exact = known.filter(({ kind }) => kind === words);
  return { count: Math.max(1, Number(number ?? 1)), fitting: exact.length > 0 ? exact : fits };
}

/** A new question: its kind is typed or picked in one line, then it is written like any other. It is a draft from the start. */
export default function NewQuestionPage() {
  const bank = Number(useParams().bank);
  const [query] = useSearchParams();
  const objective = query.get('objective') ?? '';
  const [typed, setTyped] = useState(query.get('kind') ?? '');
  const { count, fitting } = understood(typed);
  const navigate = useNavigate();
  const changed = useChanged();
  const opened = (id: number, many: boolean) => {
    void changed('new questions', bank);
    void navigate(many ? `/banks/${bank}/questions?status=draft` : `/banks/${bank}/questions/${id}`, { replace: true });
  };
  const make = useMutation({
    mutationFn: (kind: Kind) =>
      dataOf(api.POST('/banks/{id}/questions', { params: { path: { id: bank } }, body: { content: kinds[kind].empty, count, objective } })),
    onSuccess: (made) => opened(made.id, count > 1),
  });
  const copy = useMutation({
    mutationFn: (id: number) => dataOf(api.POST('/questions/{id}/copy', { params: { path: { id } } })),
    onSuccess: (made) => opened(made.id, false),
  });
  const patterns = useQuery({
    queryKey: keys.questions(bank, 'patterns'),
    queryFn: () => dataOf(api.GET('/banks/{id}/questions', { params: { path: { id: bank }, query: { patterns: true } } })),
  });
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    if (fitting[0]) make.mutate(fitting[0].kind);
  };
  const error = make.error ?? copy.error;
  return (
    <PageAndMargin label="A new question">
      <Row
        className="pt-5"
        page={
          <form onSubmit={submit}>
            <label className="title flex flex-wrap items-baseline gap-3">
              What sort of question?
              <input
                className="field w-72 max-w-full font-interface text-base"
                placeholder="its kind, or “5 claim”, then Enter"
                value={typed}
                onChange={(e) => setTyped(e.target.value)}
                ref={(input) => input?.focus()}
              />
            </label>
            <ul className="mt-4 columns-2 gap-8 sm:columns-3">
              {fitting.map(({ kind, words }) => (
                <li key={kind} className="py-0.5">
                  <button type="button" className="act" disabled={make.isPending} onClick={() => make.mutate(kind)}>
                    {count > 1 && `${count} × `}
                    {words.join(', ')}
                  </button>
                </li>
              ))}
              {fitting.length === 0 && <li className="notice">There is no such kind.</li>}
            </ul>
          </form>
        }
        margin={
          <>
            {objective !== '' && <p>for {objective}</p>}
            <p>It is a draft of the bank at once, and never dealt before it is cleared. A draft can be thrown away.</p>
            {error && (
              <p className="notice" role="alert">
                {errorWords(error)}
              </p>
            )}
          </>
        }
      />
      <Row
        className="pt-5"
        page={
          <>
            <h2 className="head">from a house pattern</h2>
            <ul>
              {(patterns.data?.questions ?? []).map((pattern) => (
                <li key={pattern.id} className="py-0.5">
                  <button className="act" disabled={copy.isPending} onClick={() => copy.mutate(pattern.id)}>
                    {pattern.name ?? pattern.excerpt}
                  </button>{' '}
                  <span className="text-quiet">{pattern.kind}</span>
                </li>
              ))}
            </ul>
            {patterns.data?.questions.length === 0 && (
              <p className="text-soft">None yet. Any question can be kept as one: see “about this question” below it.</p>
            )}
          </>
        }
      />
    </PageAndMargin>
  );
}
