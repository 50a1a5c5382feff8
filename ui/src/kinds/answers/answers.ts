import { usualHow } from '../kinds';
import type { Response, SittingQuestion } from '../content';

export interface AnswerProps {
  question: SittingQuestion;
  response: Response;
  onRespond: (response: Response, typing: boolean) => void;
}

type MapField = 'gaps' | 'pairs' | 'groups' | 'place';

export const chosenIn = (response: Response): number[] => (response && 'choose' in response ? response.choose : []);
export const textIn = (response: Response): string => (response && 'text' in response ? response.text : '');
export const orderIn = (response: Response): number[] => (response && 'order' in response ? response.order : []);
export const pointsIn = (response: Response): number[][] => (response && 'points' in response ? response.points : []);

export function mapIn(response: Response, field: MapField): Record<string, string> {
  if (!response) return {};
  if (field === 'gaps' && 'gaps' in response) return response.gaps;
  if (field === 'pairs' && 'pairs' in response) return response.pairs;
  if (field === 'groups' && 'groups' in response) return response.groups;
  return field === 'place' && 'place' in response ? response.place : {};
}

/** A map with one part given or taken back; nothing given at all is no response. */
export function withPart(response: Response, field: MapField, part: number, value: string): Response {
  const map = Object.fromEntries(Object.entries({ ...mapIn(response, field), [part]: value }).filter(([, given]) => given !== ''));
  return Object.keys(map).length === 0 ? null : ({ [field]: map } as Response);
}

/** The response after a click or key on a choice. */
export function toggled(question: SittingQuestion, response: Response, n: number): Response {
  const chosen = chosenIn(response);
  if (question.kind !== 'several') return { choose: [n] };
  if (chosen.includes(n)) return chosen.length === 1 ? null : { choose: chosen.filter((c) => c !== n) };
  const most = question.choose?.most ?? null;
  return most !== null && chosen.length >= most ? response : { choose: [...chosen, n].sort((a, b) => a - b) };
}

/** The line that tells how to answer, where the question has none of its own. */
export function howTo(question: SittingQuestion): string {
  const { how, kind, choose, face } = question;
  if (how) return how;
  if (kind === 'several' && choose?.most) return choose.least === choose.most ? `Choose ${choose.most}.` : `Choose up to ${choose.most}.`;
  if (kind === 'regions' && face.clicks !== 1)
    return face.clicks ? `Click up to ${face.clicks} places in the picture.` : 'Click every place in the picture.';
  return usualHow[kind];
}
