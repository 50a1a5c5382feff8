import { keys } from '../../api/keys';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Link, useNavigate } from 'react-router';
import { api, errorWords, type Schema, dataOf } from '../../api/client';
import { myAssessmentsQuery } from '../../api/queries';
import { count, day, duration, points, timeOfDay } from '../../parts/text/figures';
import { Row, PageAndMargin } from '../../parts/PageAndMargin';
import { TopBar } from '../../TopBar';
import { Waiting } from '../../parts/Waiting';
import type { Account } from '../people/session';
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
            <Offer key={assessment.edition} assessment={assessment} />
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

function Offer({ assessment: a }: { assessment: Schema['MyAssessments']['assessments'][number] }) {
  const navigate = useNavigate();
  const queries = useQueryClient();
  const begin = useMutation({
    mutationFn: () => dataOf(api.POST('/editions/{id}/sittings', { params: { path: { id: a.edition } } })),
    onSuccess: (sitting) => {
      queries.setQueryData(keys.sitting(sitting.id), sitting);
      void navigate(`/sittings/${sitting.id}`);
    },
  });
  const pass = a.pass?.percent ? `${a.pass.percent} %` : a.pass?.points ? `${a.pass.points} ${points(a.pass.points)}` : null;
  return (
    <Row
      line
      page={
        <div className="flex flex-wrap items-baseline gap-4 py-1">
          <span className="font-reading text-[17px]">{a.title}</span>
          {a.running !== null ? (
            <Link className="act" to={`/sittings/${a.running}`}>
              Go on
            </Link>
          ) : (
            a.sittingsLeft !== 0 &&
            a.opens === null && (
              <button className="act" disabled={begin.isPending} onClick={() => begin.mutate()}>
                Begin
              </button>
            )
          )}
          {begin.error && (
            <span className="notice" role="alert">
              {errorWords(begin.error)}
            </span>
          )}
        </div>
      }
      margin={
        <>
          <p>
            {a.fewest < a.questions && 'up to '}
            {count(a.questions, 'question')}
            {a.seconds !== null ? `, ${duration(a.seconds)}, the clock starts with “Begin”` : ', no time limit for the whole'}
            {a.timed && '; parts of it have a time of their own'}
          </p>
          {(a.opens !== null || a.closes !== null) && a.sittingsLeft !== 0 && (
            <p>
              {a.opens !== null && `can be begun from ${day(a.opens)}, ${timeOfDay(a.opens)} on`}
              {a.opens !== null && a.closes !== null && '; '}
              {a.closes !== null && `closes on ${day(a.closes)}, ${timeOfDay(a.closes)}`}
            </p>
          )}
          <p>
            {pass ? `${pass} pass` : 'no pass mark'}
            {a.minimums > 0 && `, and a minimum in ${count(a.minimums, 'objective')}`}
            {a.sittingsLeft !== null && ` · ${a.sittingsLeft === 0 ? 'no sitting left' : `${count(a.sittingsLeft, 'sitting')} left`}`}
          </p>
        </>
      }
    />
  );
}
