import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, Navigate, useNavigate, useParams } from 'react-router';
import { ApiError, api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { PageAndMargin, Row } from '../../../parts/PageAndMargin';
import { MediaContext, PagesContext } from '../../../parts/text/media';
import { TopBar } from '../../../TopBar';
import { Waiting } from '../../../parts/Waiting';
import type { Account } from '../../people/session';
import { BlueprintLink } from '../BlueprintLink';
import { OfferFacts } from './OfferFacts';
import { openingSentences } from './openingWords';
import { OnePage } from '../ReadPages';

/** Begins that find no room are made again so often: a minute or so in all. */
const TRIES = 6;

interface Props {
  account: Account;
  /** whose opening it is: an edition's, for a candidate; a blueprint's, for its author */
  of: 'edition' | 'blueprint';
}

/** What is read before the clock starts: what is to be sat, by which rules, and what its author says to it. It starts with *Begin*. */
export default function OpeningPage({ account, of }: Props) {
  const id = Number(useParams().id);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const path = { params: { path: { id } } };
  const opening = useQuery({
    queryKey: keys.opening(of, id),
    queryFn: () => dataOf(of === 'edition' ? api.GET('/editions/{id}/opening', path) : api.GET('/blueprints/{id}/opening', path)),
    refetchOnMount: 'always',
  });
  const begin = useMutation({
    mutationFn: () =>
      dataOf(of === 'edition' ? api.POST('/editions/{id}/sittings', path) : api.POST('/blueprints/{id}/rehearsals', { ...path, body: {} })),
    // Where a whole class begins at this minute, each tries again by itself, at moments of their own.
    retry: (times, error) => times < TRIES && error instanceof ApiError && error.maySucceedLater,
    retryDelay: (times) => 500 * 2 ** times * (0.5 + Math.random()),
    onSuccess: (sitting: Schema['Sitting']) => {
      queries.setQueryData(keys.sitting(sitting.id), sitting);
      void navigate(`/sittings/${sitting.id}`, { replace: true });
    },
  });
  if (!opening.data) return <Waiting error={opening.error} retry={() => void opening.refetch()} home={opening.error !== null} />;
  const { offer, page, pages, media } = opening.data;
  if (offer.running !== null) return <Navigate to={`/sittings/${offer.running}`} replace />;
  const canBegin = offer.sittingsLeft !== 0 && offer.opens === null;
  return (
    <PagesContext value={pages}>
      <MediaContext value={media}>
        <TopBar account={account} title={of === 'blueprint' ? `Rehearsal: ${offer.title}` : offer.title} />
        <PageAndMargin label="Before it begins">
          <Row
            className="pt-5"
            page={
              <>
                <p className="path">Before it begins</p>
                <h1 className="stem">{offer.title}</h1>
              </>
            }
            margin={<OfferFacts offer={offer} />}
          />
          {page !== null && <OnePage name={page} />}
          <Row
            className="pt-4"
            page={
              <ul className="list-disc space-y-1 pl-5">
                {openingSentences(opening.data).map((sentence) => (
                  <li key={sentence}>{sentence}</li>
                ))}
              </ul>
            }
          />
          <Row
            className="pt-6 pb-6"
            page={
              <p className="flex flex-wrap items-baseline gap-5">
                {canBegin && (
                  <button
                    className="btn main"
                    aria-label={`Begin ${offer.title}`}
                    disabled={begin.isPending}
                    onClick={() => begin.mutate()}
                  >
                    Begin
                  </button>
                )}
                {of === 'blueprint' ? (
                  <BlueprintLink id={id} />
                ) : (
                  <Link className="act" to="/">
                    {canBegin ? 'Not yet' : 'Back'}
                  </Link>
                )}
                {begin.isPending && begin.failureCount > 0 && (
                  <span role="status">Many begin at this minute. It is tried again by itself …</span>
                )}
                {begin.error && (
                  <span className="notice" role="alert">
                    {errorWords(begin.error)}
                  </span>
                )}
              </p>
            }
            margin={canBegin && <p>{offer.seconds !== null ? 'The clock starts with “Begin”.' : 'It can be left and gone on with.'}</p>}
          />
        </PageAndMargin>
      </MediaContext>
    </PagesContext>
  );
}
