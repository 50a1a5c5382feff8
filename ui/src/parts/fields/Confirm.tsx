import { useState } from 'react';
import { errorWords } from '../../api/client';

/** Something that cannot be brought back: asked for twice, at its place. */
export function Confirm({
  ask,
  act,
  pending,
  error,
  onSure,
}: {
  ask: string;
  act: string;
  pending: boolean;
  error: unknown;
  onSure: () => void;
}) {
  const [sure, setSure] = useState(false);
  return (
    <p>
      {sure ? (
        <>
          It cannot be brought back.{' '}
          <button className="act" disabled={pending} onClick={onSure}>
            {act}
          </button>{' '}
          <button className="act" onClick={() => setSure(false)}>
            keep it
          </button>
        </>
      ) : (
        <button className="act" onClick={() => setSure(true)}>
          {ask}
        </button>
      )}
      {error !== null && error !== undefined && (
        <span className="notice block" role="alert">
          {errorWords(error)}
        </span>
      )}
    </p>
  );
}
