import { useState } from 'react';
import { errorWords } from '../../api/client';

/** Something that is not done lightly: asked for twice, at its place, with what can be done about it afterwards. */
export function Confirm({
  ask,
  act,
  afterwards = 'It cannot be brought back.',
  pending,
  error,
  onSure,
}: {
  ask: string;
  act: string;
  afterwards?: string;
  pending: boolean;
  error: unknown;
  onSure: () => void;
}) {
  const [sure, setSure] = useState(false);
  return (
    <p>
      {sure ? (
        <>
          {afterwards}{' '}
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
