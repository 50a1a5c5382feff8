import { keys } from '../../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, type Schema, dataOf } from '../../../api/client';
import { duration } from '../../../parts/text/figures';
import { Guard } from '../../../parts/Guard';
import { MediaContext, PagesContext } from '../../../parts/text/media';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { TopBar } from '../../../TopBar';
import { Waiting } from '../../../parts/Waiting';
import type { Account } from '../../people/session';
import { BlueprintLink } from '../BlueprintLink';
import { Ending, Headline, Marked } from './ReviewedPaper';

type Review = Schema['Review'];

/** The paper after it was handed in, as far as the rules let it be seen: the page, and its marks in the margin. */
export default function ReviewPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const review = useQuery({
    queryKey: keys.review(id),
    queryFn: () => dataOf(api.GET('/sittings/{id}/review', { params: { path: { id } } })),
    staleTime: Infinity,
  });
  const [onlyNotRight, setOnlyNotRight] = useState(false);
  if (!review.data) return <Waiting error={review.error} retry={() => void review.refetch()} home={review.error !== null} />;
  const data = review.data;
  const notRight = data.questions.filter(isNotRight);
  return (
    <PagesContext value={data.pages}>
      <MediaContext value={data.media}>
        <TopBar account={account} title={data.title} />
        <PageAndMargin label="Review">
          <Row
            className="pt-5"
            page={
              <>
                <p className="path">
                  {data.rehearsal ? 'Rehearsal, leaves no result' : 'Your paper'} ·{' '}
                  {data.ranOut
                    ? 'time ran out; handed in with what was saved'
                    : data.byStaff
                      ? 'closed by staff with what was saved'
                      : 'handed in'}{' '}
                  after {duration(data.seconds)}
                </p>
                <Headline review={data} />
              </>
            }
            margin={
              <>
                <BackLink review={data} account={account} />
                <p className="acts mt-3">
                  {notRight.length > 0 && notRight.length < data.questions.length && (
                    <button className="act" onClick={() => setOnlyNotRight(!onlyNotRight)}>
                      {onlyNotRight ? `Show all ${data.questions.length}` : `Show only the ${notRight.length} not right`}
                    </button>
                  )}
                  <button className="act" onClick={() => window.print()}>
                    Print
                  </button>
                </p>
              </>
            }
          />
          <Ending review={data} />
          {(onlyNotRight ? notRight : data.questions).map((question) => (
            <Guard key={question.n} what={`Question ${question.n}`}>
              <Marked question={question} />
            </Guard>
          ))}
          <Row
            className="pb-6"
            page={
              (data.further || data.questions.length === 0) && (
                <p className="text-soft">
                  {data.further
                    ? 'More is shown here once the assessment has closed and nobody sits it any more.'
                    : 'The rules of this assessment show no more than this.'}
                </p>
              )
            }
          />
        </PageAndMargin>
      </MediaContext>
    </PagesContext>
  );
}

/** Whether a question is known to be short of right; one without a key, or whose outcome is not shown, is not. */
const isNotRight = ({ outcome }: Review['questions'][number]) => outcome !== null && outcome !== 'right' && outcome !== 'recorded';

function BackLink({ review, account }: { review: Review; account: Account }) {
  const navigate = useNavigate();
  const again = useMutation({
    mutationFn: () => dataOf(api.POST('/blueprints/{id}/rehearsals', { params: { path: { id: review.blueprint ?? 0 } }, body: {} })),
    onSuccess: (sitting) => void navigate(`/sittings/${sitting.id}`),
  });
  if (account.role === 'candidate' || review.blueprint === null)
    return (
      <Link className="act" to="/">
        All your assessments
      </Link>
    );
  return (
    <p className="space-x-4">
      <BlueprintLink id={review.blueprint} />
      <button className="act" disabled={again.isPending} onClick={() => again.mutate()}>
        Rehearse another form
      </button>
    </p>
  );
}
