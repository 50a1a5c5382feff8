import { useEffect, useRef, useState } from 'react';
import type { SittingQuestion } from '../../kinds/content';
import { useStable } from '../../parts/hooks/useStable';
import { focusOnPlace } from './PlaceLine';
import type { Sitting, useSitting } from './useSitting';

/** What leaves a candidate where they are. */
const stays = ['saved', 'flagged', 'unflagged', 'hint opened'];

/**
 * From screen to screen of a sitting. After a right answer it goes on by itself where that is ruled; what the question came to
 * is told on the next screen, until the next step.
 */
export function useGoingOn(sitting: Sitting | undefined, acts: ReturnType<typeof useSitting>['act']) {
  /** Which question was checked here last: none goes on by itself when one only comes back to it. */
  const checked = useRef<number | undefined>(undefined);
  const [passed, setPassed] = useState<SittingQuestion | null>(null);
  const only = sitting?.questions.length === 1 && sitting.screen?.goesOn === true ? sitting.questions[0] : undefined;
  const isRight = only?.goesOnByItself === true && only.closed && only.told.at(-1)?.outcome === 'right';
  const act = useStable((...asked: Parameters<typeof acts>) => {
    const [type, n] = asked;
    if (type === 'checked') checked.current = n;
    const goes = type === 'went on' && isRight && checked.current === only.n;
    if (!stays.includes(type)) setPassed(goes ? only : null);
    acts(...asked);
  });
  const n = only?.n;
  useEffect(() => {
    if (!isRight || checked.current !== n) return;
    act('went on');
    checked.current = undefined;
  }, [isRight, n, act]);
  return { act, passed: passed && !sitting?.questions.some(({ n }) => n === passed.n) ? passed : null };
}

/** Gives the focus to each new screen, from the second on. @param n the question that was asked for last */
export function useFocusOnScreen(screen: string | undefined, n: number) {
  const seen = useRef(screen);
  useEffect(() => {
    const before = seen.current;
    seen.current = screen;
    if (before !== undefined && screen !== undefined && before !== screen) focusOnPlace(n);
  }, [screen, n]);
}

/** What is before the candidate, as one word: another screen has another. */
export const screenOf = ({ screen, questions }: Sitting) =>
  [screen?.sort, ...(screen?.items ?? []).map(({ page }) => page ?? ''), ...questions.map(({ n }) => n)].join(' ');
