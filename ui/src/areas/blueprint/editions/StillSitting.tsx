import { useState } from 'react';
import { count } from '../../../parts/text/figures';

interface Props {
  /** how many sit it now */
  running: number;
  words: string;
  label?: string;
  pending: boolean;
  /** @param sittings whether those that run are closed too */
  onClose: (sittings: boolean) => void;
}

/** Closes an assessment. While somebody sits it, it first says so, and asks what becomes of them. */
export function StillSitting({ running, words, label, pending, onClose }: Props) {
  const [asked, setAsked] = useState(false);
  if (!asked)
    return (
      <button className="act" disabled={pending} aria-label={label} onClick={() => (running === 0 ? onClose(false) : setAsked(true))}>
        {words}
      </button>
    );
  const close = (sittings: boolean) => {
    setAsked(false);
    onClose(sittings);
  };
  return (
    <span className="basis-full" role="status">
      {count(running, 'candidate is', 'candidates are')} sitting it now. Reviews that wait for the closing open when the last of them has
      finished.{' '}
      <button className="act mr-4" disabled={pending} onClick={() => close(false)}>
        {words}; they go on
      </button>
      <button className="act mr-4" disabled={pending} onClick={() => close(true)}>
        {words}, and close them too
      </button>
      <button className="act" onClick={() => setAsked(false)}>
        Leave it
      </button>
    </span>
  );
}
