import type { ReactNode } from 'react';
import { useKeys } from '../../parts/hooks/useKeys';
import { Row } from '../../parts/PageAndMargin';
import { PlaceLine, pageWords } from './PlaceLine';
import { ReadPages } from './ReadPages';
import { Stretch } from './Stretch';
import type { Sitting, useSitting } from './useSitting';

/** A screen without a question: a page to read, a page to read again, a checkpoint, or the end. */
export function ReadingScreen(props: {
  sitting: Sitting;
  clock: ReactNode;
  savedLine: ReactNode;
  act: ReturnType<typeof useSitting>['act'];
  onGo: (n: number) => void;
  onHandIn: () => void;
}) {
  const { sitting, clock, savedLine, act, onGo, onHandIn } = props;
  const screen = sitting.screen;
  const ends = screen?.sort === 'end';
  // Where there is no way back, there is nothing to look at once more.
  const goOn = () => {
    if (!ends) act('went on');
    else if (screen.isFree) onHandIn();
    else act('handed in');
  };
  useKeys((e) => {
    const target = e.target instanceof HTMLElement ? e.target.tagName : '';
    if (e.key !== 'Enter' || e.ctrlKey || e.metaKey || e.altKey || ['BUTTON', 'A', 'INPUT', 'TEXTAREA'].includes(target)) return;
    e.preventDefault();
    if (!ends) goOn();
  });
  const words = {
    steps: 'To read',
    refresher: 'Read this, then try once more',
    checkpoint: 'A part is done',
    end: 'The end',
  }[screen?.sort ?? 'steps'];
  return (
    <>
      <Row
        className="pt-5"
        page={<PlaceLine>{[words, pageWords(sitting), screen?.section].filter(Boolean).join(' · ')}</PlaceLine>}
        margin={clock}
        sticky
      />
      {ends && <Row className="pt-4" page={<h1 className="stem">That was the last question.</h1>} margin={savedLine} />}
      {screen?.sort === 'checkpoint' && (
        <Row className="pt-4" page={<h1 className="stem">What comes next depends on what you gave so far.</h1>} margin={savedLine} />
      )}
      <ReadPages sitting={sitting} />
      {sitting.stretch.length > 1 && <Row page={<Stretch sitting={sitting} act={act} onGo={onGo} />} margin={null} />}
      <Row
        className="pt-5"
        page={
          <p className="flex flex-wrap items-baseline gap-5">
            <button className="btn main" onClick={goOn}>
              {ends ? 'Hand in the paper' : 'Go on'}
            </button>
          </p>
        }
        margin={
          ends ? <p>Once handed in, nothing can be changed.</p> : screen?.sort === 'checkpoint' ? <p>keys: Enter goes on</p> : savedLine
        }
      />
    </>
  );
}
