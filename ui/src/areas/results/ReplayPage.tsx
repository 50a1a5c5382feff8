import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { Link, useParams, useSearchParams } from 'react-router';
import { api, dataOf, type Schema } from '../../api/client';
import { keys } from '../../api/keys';
import { AnswerBox } from '../../kinds/AnswerBox';
import { Guard } from '../../parts/Guard';
import { useKeys } from '../../parts/hooks/useKeys';
import { PageAndMargin, Row } from '../../parts/PageAndMargin';
import { clock } from '../../parts/text/figures';
import { MediaContext, PagesContext } from '../../parts/text/media';
import { Waiting } from '../../parts/Waiting';
import { TopBar } from '../../TopBar';
import { eventWords } from '../delivery/events';
import { OnePage } from '../delivery/ReadPages';
import { Clock, OwnClock, SoFar, Told, Worth } from '../delivery/SittingMargin';
import type { Account } from '../people/session';

type Replay = Schema['Replay'];
type Screen = Replay['screen'];

/** A finished sitting, event by event: what its candidate had before them then, with the clock as it stood. Nothing can be done in it. */
export default function ReplayPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const [search, setSearch] = useSearchParams();
  const number = Math.max(1, Number(search.get('event') ?? 1) || 1);
  const replay = useQuery({
    queryKey: keys.replay(id, number),
    queryFn: () => dataOf(api.GET('/sittings/{id}/replay/{number}', { params: { path: { id, number } } })),
    placeholderData: keepPreviousData,
  });
  const most = replay.data?.events ?? number;
  const go = (to: number) => {
    if (to >= 1 && to <= most) setSearch({ event: String(to) }, { replace: true });
  };
  useKeys((e) => {
    if (e.ctrlKey || e.metaKey || e.altKey || (e.key !== 'ArrowLeft' && e.key !== 'ArrowRight')) return;
    if (e.target instanceof HTMLInputElement) return;
    e.preventDefault();
    go(number + (e.key === 'ArrowRight' ? 1 : -1));
  });
  if (!replay.data) return <Waiting error={replay.error} retry={() => void replay.refetch()} home={replay.error !== null} />;
  const { screen, kind, n, at, event, candidate } = replay.data;
  return (
    <PagesContext value={screen.pages}>
      <MediaContext value={screen.media}>
        <TopBar account={account} title={`${screen.title}: ${candidate}`} />
        <PageAndMargin label="Replay">
          <Row
            className="bg-tint"
            sticky
            page={
              <div className="space-y-1">
                <p role="status">
                  <span className="fig mr-2">{clock(Math.floor(Number(at)))}</span>{' '}
                  <b>
                    {eventWords(kind)}
                    {n !== null && `, question ${n}`}
                  </b>{' '}
                  <span className="path ml-2">
                    event {event} of {most}
                  </span>
                </p>
                <p className="flex flex-wrap items-center gap-x-4 gap-y-1 [&_button]:min-h-6">
                  <button className="act" disabled={number <= 1} onClick={() => go(number - 1)}>
                    back
                  </button>
                  <button className="act" disabled={number >= most} onClick={() => go(number + 1)}>
                    on
                  </button>
                  <input
                    type="range"
                    className="h-6 min-w-40 flex-1"
                    aria-label="Event"
                    aria-valuetext={`event ${number} of ${most}`}
                    min={1}
                    max={most}
                    value={number}
                    onChange={(e) => go(Number(e.target.value))}
                  />
                </p>
              </div>
            }
            margin={
              <>
                <p>
                  <Link className="act" to={`/papers/${id}`}>
                    Back to the paper
                  </Link>
                </p>
                <p className="at-desk">keys: ← and → go through the events</p>
              </>
            }
          />
          <Shown screen={screen} />
        </PageAndMargin>
      </MediaContext>
    </PagesContext>
  );
}

/** Where there is nothing to answer. */
const words: Record<NonNullable<Screen['screen']>['sort'], string> = {
  steps: 'To read',
  refresher: 'To read again',
  checkpoint: 'An announced checkpoint',
  end: 'Behind the last question',
};

function Shown({ screen }: { screen: Screen }) {
  const { questions, screen: shown } = screen;
  const items = shown?.items.filter(({ page }) => page !== null) ?? [];
  if (screen.phase === 'ended') return <Row className="pt-5" page={<h1 className="stem">The paper is handed in.</h1>} margin={null} />;
  return (
    <>
      <Row
        className="pt-5"
        page={
          <p className="path">{[questions.length === 0 && shown ? words[shown.sort] : null, shown?.section].filter(Boolean).join(' · ')}</p>
        }
        margin={<Clocks screen={screen} />}
      />
      {items.map(({ page }) => page !== null && <OnePage key={page} name={page} />)}
      {questions.map((question) => (
        <Guard key={`${question.n} ${screen.events}`} what={`Question ${question.n}`}>
          <Row
            page={
              <>
                <p className="path">
                  Question {question.n}
                  {question.flagged && ', to come back to'}
                </p>
                <AnswerBox question={{ ...question, closed: true }} response={question.response} onRespond={() => undefined} />
              </>
            }
            margin={
              <>
                <Worth sitting={screen} question={question} />
                <div className="pt-4">
                  <Told question={question} />
                  {question.hintsOpen.length > 0 && <p>hints open: {question.hintsOpen.length}</p>}
                </div>
              </>
            }
          />
        </Guard>
      ))}
    </>
  );
}

/** The clocks as they stood when it happened. */
function Clocks({ screen }: { screen: Screen }) {
  const left = (ends: number) => Math.max(0, (ends - screen.now) / 1000);
  return (
    <>
      {screen.clocks.map(({ of, n, ends }) => (
        <OwnClock key={`${of} ${n ?? ''}`} of={of === 'section' ? 'section' : 'question'} left={left(ends)} />
      ))}
      <Clock left={screen.deadline === null ? null : left(screen.deadline)} seconds={screen.seconds} />
      <SoFar score={screen.score} />
    </>
  );
}
