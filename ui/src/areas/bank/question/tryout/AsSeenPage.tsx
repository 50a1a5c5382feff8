import { keys } from '../../../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useParams, useSearchParams } from 'react-router';
import { api, errorWords, type Schema, dataOf } from '../../../../api/client';
import { figure, points } from '../../../../parts/text/figures';
import { Outcome } from '../../../../parts/Gauge';
import { MediaContext, PagesContext } from '../../../../parts/text/media';
import { Rich } from '../../../../parts/text/Rich';
import { Row, PageAndMargin } from '../../../../parts/PageAndMargin';
import { Editable } from '../../../../parts/fields/Editable';
import { Waiting } from '../../../../parts/Waiting';
import { AnswerBox } from '../../../../kinds/AnswerBox';
import { AnswerLines } from '../../../../kinds/common/answers/AnswerLines';
import type { Response } from '../../../../kinds/content';
import { whyNotYet } from '../../../../kinds/whyNotYet';
import { Toggle } from '../../../../parts/fields/Toggle';

/** One question on a page of its own, as a candidate has it; a response that is checked shows the working of its mark. */
export default function AsSeenPage() {
  const id = Number(useParams().id);
  const [query] = useSearchParams();
  const seed = Number(query.get('seed') ?? '1');
  const scheme = query.get('scheme') ?? 'light';
  const seen = useQuery({
    queryKey: keys.asSeen(id, seed, query.get('v')),
    queryFn: () => dataOf(api.GET('/questions/{id}/as-seen', { params: { path: { id }, query: { seed } } })),
  });
  useEffect(() => {
    document.documentElement.dataset.scheme = scheme;
    return () => {
      delete document.documentElement.dataset.scheme;
    };
  }, [scheme]);
  if (!seen.data) return <Waiting error={seen.error} retry={() => void seen.refetch()} />;
  return <Seen key={seen.dataUpdatedAt} id={id} seed={seed} seen={seen.data} showKey={query.get('key') === 'shown'} />;
}

function Seen({ id, seed, seen, showKey }: { id: number; seed: number; seen: Schema['AsSeen']; showKey: boolean }) {
  const [response, setResponse] = useState<Response>(null);
  const [how, setHow] = useState({ attempt: 1, hints: 0, late: false });
  const tried = useMutation({
    mutationFn: () => dataOf(api.POST('/questions/{id}/try', { params: { path: { id } }, body: { seed, response, ...how } })),
  });
  const { question } = seen;
  // As in a sitting; nothing at all may be tried, since a paper may be handed in so.
  const why = response === null ? null : whyNotYet(question, response);
  return (
    <PagesContext value={seen.pages}>
      <MediaContext value={seen.media}>
        <PageAndMargin label="As seen">
          <Row
            className="pt-5"
            page={<AnswerBox question={question} response={response} onRespond={(next) => setResponse(next)} />}
            margin={
              <>
                {question.worth !== null && (
                  <p>
                    up to <b className="fig">{question.worth}</b> {points(question.worth)}
                  </p>
                )}
                {showKey && (
                  <p>
                    key:{' '}
                    <span className="say">
                      <AnswerLines lines={seen.key} />
                    </span>
                  </p>
                )}
                {seen.hints.slice(0, how.hints).map((hint, i) => (
                  <Rich key={i} text={hint} className="say" />
                ))}
                {tried.data && <Told tried={tried.data} />}
                {tried.error && (
                  <p className="notice" role="alert">
                    {errorWords(tried.error)}
                  </p>
                )}
              </>
            }
          />
          <Row
            className="pt-3"
            page={
              <p>
                <button
                  className="btn main"
                  disabled={tried.isPending || why !== null}
                  title={why ?? undefined}
                  onClick={() => tried.mutate()}
                >
                  Check
                </button>{' '}
                {why !== null && <span className="text-sm text-soft">{why}</span>}
              </p>
            }
            margin={
              <p>
                tried on attempt{' '}
                <Editable
                  label="Attempt"
                  value={String(how.attempt)}
                  onChange={(v) => setHow({ ...how, attempt: Math.max(1, Math.trunc(Number(v)) || 1) })}
                />
                {seen.hints.length > 0 && (
                  <>
                    {' '}
                    with{' '}
                    <Editable
                      label="Hints"
                      value={String(how.hints)}
                      onChange={(v) => setHow({ ...how, hints: Math.max(0, Math.trunc(Number(v)) || 0) })}
                    />{' '}
                    hints
                  </>
                )}
                ,{' '}
                <Toggle
                  on={how.late}
                  words={['out of time', 'in time']}
                  label="The response"
                  disabled={false}
                  onChange={(late) => setHow({ ...how, late })}
                />
              </p>
            }
          />
        </PageAndMargin>
      </MediaContext>
    </PagesContext>
  );
}

function Told({ tried }: { tried: Schema['Tried'] }) {
  return (
    <div role="status" className="pt-2">
      <p>
        <Outcome outcome={tried.outcome} earned={tried.earned} max={tried.max} />, <b className="fig">{figure(tried.earned)}</b> of{' '}
        <b className="fig">{tried.max}</b>
      </p>
      <p>{figure(tried.facts)}</p>
      {tried.said.map((text, i) => (
        <Rich key={i} text={text} className="say" />
      ))}
      <ul className="text-quiet">
        {tried.working.map((line, i) => (
          <li key={i}>{line}</li>
        ))}
      </ul>
    </div>
  );
}
