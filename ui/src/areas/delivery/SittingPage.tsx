import { useState } from 'react';
import { Navigate, useParams } from 'react-router';
import { Guard } from '../../parts/Guard';
import { MediaContext, PagesContext } from '../../parts/text/media';
import { Row, PageAndMargin } from '../../parts/PageAndMargin';
import { TopBar } from '../../TopBar';
import { Waiting } from '../../parts/Waiting';
import type { Account } from '../people/session';
import { HandIn } from './HandIn';
import { OneQuestion } from './OneQuestion';
import { useSecondsLeft, useSitting } from './useSitting';
import { Clock, SavedLine } from './SittingMargin';

/** What a candidate sees: one question at a time, a clear clock, and always whether it is saved. */
export default function SittingPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const { sitting, act, saved, notice, why, dropped, waitingFor } = useSitting(id);
  const [at, setAt] = useState(1);
  const [handingIn, setHandingIn] = useState(false);
  const data = sitting.data;
  const left = useSecondsLeft(data, () => void sitting.refetch());
  if (!data) return <Waiting error={sitting.error} retry={() => void sitting.refetch()} home={sitting.error !== null} />;
  if (data.phase === 'ended') return <Navigate to={`/sittings/${id}/review`} replace />;
  const question = data.questions[at - 1];
  const clock = <Clock left={left} seconds={data.seconds} />;
  const savedLine = <SavedLine saved={saved} notice={notice} why={why} />;
  return (
    <PagesContext value={data.pages}>
      <MediaContext value={data.media}>
        <TopBar account={account} title={data.rehearsal ? `Rehearsal: ${data.title}` : data.title} />
        <PageAndMargin label="Sitting">
          {handingIn || !question ? (
            <>
              <Row className="pt-5" page={<p className="path">Before you hand in</p>} margin={clock} sticky />
              <HandIn
                sitting={data}
                saved={saved}
                onBack={(n) => {
                  setAt(n ?? at);
                  setHandingIn(false);
                }}
                onHandIn={() => act('handed in')}
                savedLine={savedLine}
              />
            </>
          ) : (
            <Guard what={`Question ${at}`} about={`${at} ${dropped} ${data.events}`}>
              <OneQuestion
                key={`${at} ${dropped}`}
                waitingFor={waitingFor}
                sitting={data}
                question={question}
                act={act}
                clock={clock}
                savedLine={savedLine}
                onGo={setAt}
                onHandIn={() => setHandingIn(true)}
              />
            </Guard>
          )}
        </PageAndMargin>
      </MediaContext>
    </PagesContext>
  );
}
