import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, dataOf, type Schema } from '../../api/client';
import { keys } from '../../api/keys';
import { AnswerLines } from '../../kinds/common/answers/AnswerLines';
import { Gauge } from '../../parts/Gauge';
import { Guard } from '../../parts/Guard';
import { PageAndMargin, Row } from '../../parts/PageAndMargin';
import { clock, count, duration, figure } from '../../parts/text/figures';
import { MediaContext, PagesContext } from '../../parts/text/media';
import { Waiting } from '../../parts/Waiting';
import { TopBar } from '../../TopBar';
import { eventWords } from '../delivery/events';
import { Ending, Headline, Marked } from '../delivery/review/ReviewedPaper';
import type { Account } from '../people/session';

type Made = Schema['AuthorPaper']['made'][number];

/** One paper as its author sees it: everything, with every mark that was made and its working. */
export default function PaperPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const paper = useQuery({
    queryKey: keys.paper(id),
    queryFn: () => dataOf(api.GET('/sittings/{id}/paper', { params: { path: { id } } })),
    gcTime: 0,
  });
  if (!paper.data) return <Waiting error={paper.error} retry={() => void paper.refetch()} home={paper.error !== null} />;
  const { review, candidate, edition, made } = paper.data;
  return (
    <PagesContext value={review.pages}>
      <MediaContext value={review.media}>
        <TopBar account={account} title={`${review.title}: ${candidate.name}`} />
        <PageAndMargin label="Paper">
          <Row
            className="pt-5"
            page={
              <>
                <p className="path">
                  {candidate.name} · {paper.data.how} after {duration(review.seconds)} · form of seed {paper.data.seed}
                </p>
                <Headline review={review} />
              </>
            }
            margin={<BackToResults blueprint={review.blueprint ?? 0} edition={edition} />}
          />
          <Ending review={review} />
          {review.questions.map((question) => {
            const own = made.find(({ n }) => n === question.n);
            return (
              <Guard key={question.n} what={`Question ${question.n}`}>
                <Marked question={question} who="given" more={own && <WhatWasMade made={own} />} />
              </Guard>
            );
          })}
          <Events sitting={id} events={paper.data.events} />
        </PageAndMargin>
      </MediaContext>
    </PagesContext>
  );
}

/** What the candidate's review never has: the way to the question, time, hints, and each mark with its working. */
function WhatWasMade({ made: { question, name, hints, seconds, marks } }: { made: Made }) {
  return (
    <div className="mt-1 text-sm text-soft">
      <p>
        <Link className="act" to={`/questions/${question}`}>
          {name ?? 'the question'}
        </Link>
        {seconds !== null && `, ${duration(seconds)}`}
        {hints > 0 && `, ${count(hints, 'hint')} opened`}
      </p>
      {marks.map((mark) => (
        <p key={`${mark.round} ${mark.attempt}`}>
          {marks.length > 1 && (
            <>
              <Gauge {...mark} />
              {mark.round > 1 && `round ${mark.round}, `}attempt {mark.attempt}:{' '}
              <span className="font-reading">
                <AnswerLines lines={mark.response} />
              </span>{' '}
              <b className="fig">{figure(mark.earned)}</b> of <b className="fig">{mark.max}</b>,{' '}
            </>
          )}
          {mark.working.join('; ')}
        </p>
      ))}
    </div>
  );
}

/** All that happened, one after the other, with the time since the beginning and what was given. */
function Events({ sitting, events }: { sitting: number; events: Schema['AuthorPaper']['events'] }) {
  const [open, setOpen] = useState(false);
  return (
    <Row
      className="py-4!"
      page={
        <>
          <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
            {open ? 'put away what happened' : `see what happened, event by event (${events.length})`}
          </button>
          <Link className="act ml-5" to={`/papers/${sitting}/replay`}>
            replay it, screen by screen
          </Link>
          {open && (
            <ol aria-label="What happened" className="mt-2">
              {events.map(({ at, kind, n, given }, i) => (
                <li key={i} className="grid grid-cols-[60px_1fr] gap-x-3 sm:grid-cols-[72px_200px_1fr] border-t border-rule py-0.5">
                  <span className="fig text-right">{clock(Math.floor(Number(at)))}</span>
                  <Link className="act justify-self-start" to={`/papers/${sitting}/replay?event=${i + 1}`}>
                    {eventWords(kind)}
                    {n !== null && `, question ${n}`}
                  </Link>
                  <span className="col-start-2 font-reading sm:col-start-3">
                    <AnswerLines lines={given} />
                  </span>
                </li>
              ))}
            </ol>
          )}
        </>
      }
    />
  );
}

function BackToResults({ blueprint, edition }: { blueprint: number; edition: { id: number; number: number } }) {
  const of = useQuery({
    queryKey: keys.blueprint(blueprint),
    queryFn: () => dataOf(api.GET('/blueprints/{id}', { params: { path: { id: blueprint } } })),
  });
  return of.data ? (
    <Link className="act" to={`/banks/${of.data.bank.id}/blueprints/${blueprint}/editions/${edition.id}/results`}>
      All results of edition {edition.number}
    </Link>
  ) : null;
}
