import type { Medium } from '../../../parts/text/media';

/** What a drawing had to leave behind when it was taken in, told to its author. */
export function TakenOut({ medium }: { medium: Medium }) {
  const gone = medium.takenOut ?? [];
  return gone.length === 0 ? null : (
    <p className="notice" role="status">
      Taken out of “{medium.name}”, since drawings here may not run, load or lead anywhere: {gone.join('; ')}. Look whether it still shows
      what you want.
    </p>
  );
}
