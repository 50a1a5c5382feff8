import { useState } from 'react';
import type { Response, SittingQuestion } from '../../kinds/content';
import { whyNotYet } from '../../kinds/whyNotYet';
import type { Sitting, useSitting } from './useSitting';

/** Milliseconds without a key after which what was typed is sent. */
const PAUSE = 500;

/** What answering one question comes to on a page: the response as it stands here, saved at once or a moment after typing. */
export function useAnswering(
  sitting: Sitting,
  question: SittingQuestion,
  act: ReturnType<typeof useSitting>['act'],
  waitingFor: ReturnType<typeof useSitting>['waitingFor'],
) {
  const { n } = question;
  const [response, setResponse] = useState<Response>(() => {
    const waiting = waitingFor(n);
    return waiting ? (waiting.response ?? null) : question.response;
  });
  // After a checked attempt the question is shown again only when asked for.
  const lastTold = question.told.at(-1);
  const [again, setAgain] = useState(lastTold === undefined || JSON.stringify(lastTold.response) !== JSON.stringify(question.response));
  const told = question.told.length;
  const [seen, setSeen] = useState(told);
  if (seen !== told) {
    setSeen(told);
    // It is asked afresh after a refresher.
    setAgain(told < seen);
    // Its answers may stand in another order now.
    setResponse(lastTold ? lastTold.response : question.response);
  }
  const open = !question.closed && again;
  const checks = sitting.checks && open;

  const checkIt = (given: Response) => act('checked', n, given);
  const respond = (next: Response, typing: boolean) => {
    if (!open) return;
    setResponse(next);
    if (question.checksOnChoosing && next !== null) {
      checkIt(next);
      return;
    }
    act('saved', n, next, typing ? PAUSE : 0);
  };
  const why = whyNotYet(question, response);
  const check = () => {
    if (checks && why === null) checkIt(response);
  };
  return {
    response,
    open,
    checks,
    why,
    check,
    respond,
    isToldAlone: question.hides && told > 0 && !open,
    /** whether an attempt is left, and what the last came to is being read */
    canTryAgain: sitting.checks && !open && !question.closed,
    tryAgain: () => setAgain(true),
  };
}

export type Answering = ReturnType<typeof useAnswering>;
