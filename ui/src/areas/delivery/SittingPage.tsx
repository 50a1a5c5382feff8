import { lapsedWords } from './lapsed';
import { useState } from 'react';
import { Navigate, useParams, useSearchParams } from 'react-router';
import { Guard } from '../../parts/Guard';
import { useStable } from '../../parts/hooks/useStable';
import { MediaContext, PagesContext } from '../../parts/text/media';
import { Row, PageAndMargin } from '../../parts/PageAndMargin';
import { TopBar } from '../../TopBar';
import { Waiting } from '../../parts/Waiting';
import type { Width } from '../../parts/widths';
import type { Account } from '../people/session';
import { AtWidth, useSaid } from './rehearsal/AtWidth';
import { HandIn } from './HandIn';
import { OneQuestion } from './OneQuestion';
import { PlaceLine } from './PlaceLine';
import { SharedScreen } from './SharedScreen';
import { RehearsalBar } from './rehearsal/RehearsalBar';
import { ReadingScreen } from './ReadingScreen';
import { screenOf, useFocusOnScreen, useGoingOn } from './useGoingOn';
import { useSecondsLeft, useSitting, type Sitting } from './useSitting';
import { Clock, OwnClock, Passed, SavedLine, SoFar } from './SittingMargin';

/** What a candidate sees: one question or page at a time, clear clocks, and always whether it is saved. */
export default function SittingPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const { sitting, act: acts, saved, notice, why, dropped, waitingFor, replace } = useSitting(id);
  /** Which question was asked for last; a screen without it begins with its first. */
  const [at, go] = useState(0);
  const [handingIn, setHandingIn] = useState(false);
  const framed = useSearchParams()[0].has('framed');
  const [width, setWidth] = useState<Width>('desk');
  const told = sitting.data;
  // A frame shows no more than a candidate sees.
  const data = framed && told?.watch ? { ...told, watch: { ...told.watch, questions: [] } } : told;
  useSaid(framed, data?.events);
  const goingOn = useGoingOn(data, acts);
  const where = data && `${screenOf(data)} ${handingIn ? 'handing in' : ''}`;
  useFocusOnScreen(where, at);
  /** The screen on which something was saved here last. */
  const [written, setWritten] = useState<string | undefined>(undefined);
  const act = useStable((...asked: Parameters<typeof acts>) => {
    if (asked[1] !== undefined) setWritten(where);
    goingOn.act(...asked);
  });
  if (!data) return <Waiting error={sitting.error} retry={() => void sitting.refetch()} home={sitting.error !== null} />;
  if (data.phase === 'ended') return <Navigate to={`/sittings/${id}/review`} replace />;
  const question = data.questions.find(({ n }) => n === at) ?? data.questions[0];
  const clock = <Clocks sitting={data} n={question?.n} refetch={() => void sitting.refetch()} />;
  const anything = handingIn || written === where || data.questions.some(({ answered, flagged }) => answered || flagged);
  const savedLine = <SavedLine {...{ saved, notice, why, anything }} />;
  const goesOn = data.screen?.goesOn === true;
  return (
    <PagesContext value={data.pages}>
      <MediaContext value={data.media}>
        {!framed && <TopBar account={account} title={data.rehearsal ? `Rehearsal: ${data.title}` : data.title} />}
        <PageAndMargin label="Sitting">
          {!framed && (
            <RehearsalBar
              sitting={data}
              width={width}
              onWidth={setWidth}
              onDone={(now) => {
                setHandingIn(false);
                replace(now);
              }}
            />
          )}
          {goingOn.passed && width === 'desk' && <Passed question={goingOn.passed} />}
          {width !== 'desk' ? (
            <AtWidth sitting={data} width={width} about={`${width} ${dropped}`} onHappened={() => void sitting.refetch()} />
          ) : handingIn ? (
            <>
              <Row className="pt-5" page={<PlaceLine>Before you hand in</PlaceLine>} margin={clock} sticky />
              <HandIn
                sitting={data}
                saved={saved}
                onBack={(n) => {
                  if (n !== undefined) go(n);
                  setHandingIn(false);
                }}
                onHandIn={() => act('handed in')}
                savedLine={savedLine}
              />
            </>
          ) : !question ? (
            <ReadingScreen sitting={data} clock={clock} savedLine={savedLine} act={act} onGo={go} onHandIn={() => setHandingIn(true)} />
          ) : (data.screen?.items.length ?? 0) > 1 ? (
            <SharedScreen
              key={`shared ${data.questions[0]?.n ?? ''}`}
              {...{ act, waitingFor, clock, savedLine, at }}
              about={String(dropped)}
              sitting={data}
              onGo={go}
              onLeave={goesOn ? () => act('went on') : () => setHandingIn(true)}
              onHandIn={() => setHandingIn(true)}
            />
          ) : (
            <Guard what={`Question ${question.n}`} about={`${question.n} ${dropped} ${data.events}`}>
              <OneQuestion
                key={`${question.n} ${dropped}`}
                waitingFor={waitingFor}
                sitting={data}
                question={question}
                act={act}
                clock={clock}
                savedLine={savedLine}
                onGo={go}
                onLeave={goesOn ? () => act('went on') : () => setHandingIn(true)}
                onHandIn={() => setHandingIn(true)}
              />
            </Guard>
          )}
        </PageAndMargin>
      </MediaContext>
    </PagesContext>
  );
}

function Clocks({ sitting, n, refetch }: { sitting: Sitting; n: number | undefined; refetch: () => void }) {
  const left = useSecondsLeft(sitting, sitting.deadline, refetch);
  const own = sitting.clocks.find((c) => c.of === 'question' && c.n === n) ?? sitting.clocks.find((c) => c.of === 'section');
  const ownLeft = useSecondsLeft(sitting, own?.ends ?? null, refetch);
  const lapsed = sitting.lapsed.filter((one) => one.n === null || one.n === n);
  return (
    <>
      {lapsed.map((one) => (
        <p key={one.of} className="font-semibold" role="status">
          {lapsedWords(one)}
        </p>
      ))}
      {own && <OwnClock of={own.of} left={ownLeft} />}
      {(sitting.seconds !== null || !own) && <Clock left={left} seconds={sitting.seconds} />}
      <SoFar score={sitting.score} />
    </>
  );
}
