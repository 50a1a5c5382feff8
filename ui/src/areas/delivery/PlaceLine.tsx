import type { ReactNode } from 'react';
import type { Sitting } from './useSitting';

/** Where the candidate is: what a new screen begins with. The focus goes there, so that it is read out and the next key leads on from it. */
export function PlaceLine({ children }: { children: ReactNode }) {
  return (
    <p className="path" tabIndex={-1} data-place>
      {children}
    </p>
  );
}

/** “page 1 of 8”, where that is the same whatever is answered. */
export const pageWords = ({ screen }: Sitting) => screen?.at && `page ${screen.at.n} of ${screen.at.of}`;

/** Gives the focus to the question that was asked for, or to where its screen begins. */
export function focusOnPlace(n: number) {
  const place = document.querySelector<HTMLElement>(`[data-question="${n}"]`) ?? document.querySelector<HTMLElement>('[data-place]');
  place?.focus({ preventScroll: true });
  place?.scrollIntoView({ block: 'start' });
}
