import { count } from '../parts/text/figures';
import type { Response, SittingQuestion } from './content';

/** Why a response cannot be checked yet; null: it can. */
export function whyNotYet({ choose, needs }: SittingQuestion, response: Response): string | null {
  if (response === null) return 'Give an answer first, then check it.';
  if ('choose' in response && choose && response.choose.length < choose.least && choose.least > 1)
    return `Choose ${choose.least}: ${response.choose.length === 0 ? 'none is' : count(response.choose.length, 'is', 'are')} chosen so far.`;
  const parts = Object.values(response).find(
    (value): value is Record<string, string> => typeof value === 'object' && !Array.isArray(value),
  );
  const filled = parts ? Object.values(parts).filter((value) => value !== '').length : 0;
  if (needs !== null && filled < needs) return `All ${needs} are needed: ${filled} so far.`;
  return null;
}
