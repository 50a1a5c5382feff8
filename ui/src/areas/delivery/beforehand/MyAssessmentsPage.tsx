import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import type { Schema } from '../../../api/client';
import { myAssessmentsQuery } from '../../../api/queries';
import { points } from '../../../parts/text/figures';
import { day } from '../../../parts/text/moments';
import { Row, PageAndMargin } from '../../../parts/PageAndMargin';
import { TopBar } from '../../../TopBar';
import { Waiting } from '../../../parts/Waiting';
import type { Account } from '../../people/session';
import { OfferFacts } from './OfferFacts';
import { WithCode } from './WithCode';

/** A candidate's list: what can be sat, what is running, what was sat. */
export default function MyAssessmentsPage({ account }: { account: Account }) {
  const list = useQuery({ ...myAssessmentsQuery(), refetchOnMount: 'always' });
  return (
    <>
      <TopBar account={account} title="Your assessments" />
      {list.data ? (
        <PageAndMargin label="Your assessments">
          <Row className="pt-4 pb-2" page={<h1 className="title">To sit</h1>} />
          {list.data.assessments.length === 0 && <Row page={<p className="py-1 text-soft">Nothing is open for you now.</p>} />}
          {list.data.assessments.map((assessment) => (
            <Offer key={assessment.bank + String(assessment.edition)} assessment={assessment} />
          ))}
          <WithCode />
          <Row className="pt-6 pb-2" page={<h2 className="title">Sat before</h2>} />
          {list.data.sat.length === 0 && <Row page={<p className="py-1 text-soft">You have not sat anything yet.</p>} />}
          {list.data.sat.map((sitting) => (
            <Row
              key={sitting.id}
              line
              page={
                <p>
                  <span className="font-reading text-[17px]">{sitting.title}</span>{' '}
                  <span className="path ml-2">{day(sitting.endedAt)}</span>
                  <Link className="act ml-4" to={`/sittings/${sitting.id}/review`}>
                    Show my paper
                  </Link>
                </p>
              }
              margin={
                <p>
                  {sitting.passed !== null && <b>{sitting.passed ? 'passed' : 'not passed'}</b>}
                  {sitting.earned !== null && (
                    <>
                      {sitting.passed !== null && ', '}
                      <b className="fig">{sitting.earned}</b> of <b className="fig">{sitting.max}</b> {points(sitting.max ?? '')}
                      {sitting.percent !== null && `, ${sitting.percent} %`}
                    </>
                  )}
                </p>
              }
            />
          ))}
        </PageAndMargin>
      ) : (
        <Waiting error={list.error} retry={() => void list.refetch()} />
      )}
    </>
  );
}

function Offer({ assessment: a }: { assessment: Schema['Offer'] }) {
  return (
    <Row
      line
      page={
        <div className="flex flex-wrap items-baseline gap-4 py-1">
          <span className="font-reading text-[17px]">{a.title}</span>
          {a.running !== null ? (
            <Link className="act" to={`/sittings/${a.running}`} aria-label={`Go on with ${a.title}`}>
              Go on
            </Link>
          ) : (
            a.sittingsLeft !== 0 &&
            a.opens === null && (
              <Link className="act" to={`/editions/${a.edition}/opening`} aria-label={`Begin ${a.title} …`}>
                Begin …
              </Link>
            )
          )}
        </div>
      }
      margin={<OfferFacts offer={a} />}
    />
  );
}
