import type { ReactNode } from 'react';
import { errorWords } from '../api/client';
import type { useAutosave } from './hooks/useAutosave';

interface Props<Saved> {
  saving: Pick<ReturnType<typeof useAutosave<unknown, Saved>>, 'error' | 'theirs' | 'takeTheirs' | 'saveMine' | 'saveNow'>;
  /** what is said of the newer one, beside one's own */
  children: (theirs: Saved) => ReactNode;
}

/** Why something was not saved, and the ways on: again, or a choice between two versions where somebody else saved meanwhile. */
export function NotSaved<Saved>({ saving, children }: Props<Saved>) {
  const { error, theirs } = saving;
  if (!error) return null;
  return (
    <div role="alert">
      <p className="notice">{errorWords(error)}</p>
      {theirs === undefined ? (
        <button className="act" onClick={saving.saveNow}>
          Save again
        </button>
      ) : (
        <>
          {children(theirs)}
          <p>
            <button className="act" onClick={saving.takeTheirs}>
              Take the newer one
            </button>{' '}
            <button className="act" onClick={saving.saveMine}>
              Save mine over it
            </button>
          </p>
        </>
      )}
    </div>
  );
}
