import { chosenIn } from '../common/answers/answers';
import type { Response } from '../content';

/** The response after a press on a choice; where no more may be chosen, it stays as it is. */
export function toggled(response: Response, n: number, most: number | null): Response {
  const chosen = chosenIn(response);
  if (chosen.includes(n)) return chosen.length === 1 ? null : { choose: chosen.filter((c) => c !== n) };
  return most !== null && chosen.length >= most ? response : { choose: [...chosen, n].sort((a, b) => a - b) };
}
