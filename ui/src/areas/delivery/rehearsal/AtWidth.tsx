import { useEffect } from 'react';
import { useStable } from '../../../parts/hooks/useStable';
import { Row } from '../../../parts/PageAndMargin';
import { type Width, widths } from '../../../parts/widths';
import { Watch } from '../SittingMargin';
import type { Sitting } from '../useSitting';

const HAPPENED = 'zetema:happened';

/** Tells the page around a frame that the sitting in it went on. */
export function useSaid(framed: boolean, events: number | undefined) {
  useEffect(() => {
    if (framed && events !== undefined) window.parent.postMessage(HAPPENED, window.location.origin);
  }, [framed, events]);
}

/** A rehearsal as a candidate has it at another width: the same sitting in a frame, beside it what no candidate sees. */
export function AtWidth(props: { sitting: Sitting; width: Width; about: string; onHappened: () => void }) {
  const { sitting, width, about } = props;
  const happened = useStable(props.onHappened);
  useEffect(() => {
    const hear = (e: MessageEvent) => {
      if (e.origin === window.location.origin && e.data === HAPPENED) happened();
    };
    window.addEventListener('message', hear);
    return () => window.removeEventListener('message', hear);
  }, [happened]);
  const height = width === 'phone' ? 700 : 760;
  const scale = Math.min(1, 744 / widths[width]);
  return (
    <Row
      className="pt-4 pb-4"
      page={
        <div className="seen-at" style={{ height: height * scale, width: widths[width] * scale + 2, maxWidth: '100%' }}>
          <iframe
            key={about}
            title={`The sitting at ${width} width`}
            src={`/sittings/${sitting.id}?framed`}
            style={{ width: widths[width], height, transform: `scale(${scale})` }}
          />
        </div>
      }
      margin={sitting.questions.map(({ n }) => (
        <Watch key={n} sitting={sitting} n={n} />
      ))}
    />
  );
}
