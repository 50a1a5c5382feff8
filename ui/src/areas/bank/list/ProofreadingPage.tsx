import { keys } from '../../../api/keys';
import { keepPreviousData, useInfiniteQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, dataOf } from '../../../api/client';
import { count, grouped } from '../../../parts/text/figures';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { Waiting } from '../../../parts/Waiting';
import { remember } from './cameFrom';

/** What the proofreader notices over a whole bank, question by question; one rule at a time if wanted. */
export default function ProofreadingPage() {
  const bank = Number(useParams().bank);
  const [rule, setRule] = useState<string | null>(null);
  const notes = useInfiniteQuery({
    queryKey: keys.proofreading(bank, rule),
    queryFn: ({ pageParam, signal }) =>
      dataOf(
        api.GET('/banks/{id}/proofreading', {
          params: { path: { id: bank }, query: { after: pageParam, ...(rule !== null && { rule }) } },
          signal,
        }),
      ),
    initialPageParam: 0,
    getNextPageParam: (page) => page.after,
    placeholderData: keepPreviousData,
    staleTime: 0,
  });
  const first = notes.data?.pages[0];
  if (!notes.data || !first) return <Waiting error={notes.error} retry={() => void notes.refetch()} />;
  const shown = notes.data.pages.flatMap((page) => page.questions);
  const rememberList = () => remember({ ids: shown.map((q) => q.id), words: 'with notes', path: `/banks/${bank}/proofreading` });
  return (
    <PageAndMargin label="Proofreading">
      <Row
        className="pt-5"
        page={
          <>
            <h1 className="title">Proofreading</h1>
            <p>
              {count(first.read, 'question')} read, {count(first.withNotes ?? 0, 'question')} with notes that nobody has waved off.
            </p>
            <p className="acts pt-1">
              {first.rules.map(({ rule: name, notes: n }) => (
                <button
                  key={name}
                  className={rule === name ? 'value' : 'act'}
                  aria-pressed={rule === name}
                  onClick={() => setRule(rule === name ? null : name)}
                >
                  {name} {grouped(n)}
                </button>
              ))}
            </p>
          </>
        }
        margin={<p>Notes are about how a question is written, not about what it asks. Each can be waved off at its line, with a reason.</p>}
      />
      {shown.map((question) => (
        <Row
          key={question.id}
          line
          page={
            <p>
              <Link className="act" to={`/banks/${bank}/questions/${question.id}`} onClick={rememberList}>
                {question.excerpt || 'no stem yet'}
              </Link>{' '}
              <span className="text-quiet">
                {question.kind}
                {question.name && `, ${question.name}`}
              </span>
            </p>
          }
          margin={question.notes.map((note, i) => (
            <p key={i} title={`${note.reason} ${note.remedy}`}>
              <span className="text-quiet">{note.where}: </span>
              {note.message}
            </p>
          ))}
        />
      ))}
      {notes.hasNextPage && (
        <Row
          className="pt-3"
          page={
            <button className="act" disabled={notes.isFetchingNextPage} onClick={() => void notes.fetchNextPage()}>
              {notes.isFetchingNextPage ? 'Fetching …' : 'Show more'}
            </button>
          }
        />
      )}
      {shown.length === 0 && <Row className="pt-3" page={<p className="text-soft">Nothing to note.</p>} />}
    </PageAndMargin>
  );
}
