import type { Schema } from '../../../api/client';

type Opening = Schema['Opening'];

/** The rules of an assessment as a candidate needs them before it begins. */
export function openingSentences({ moving, feedback, review, offer }: Opening): string[] {
  return [
    movingWords(moving),
    feedbackWords(feedback),
    'Whatever you give is saved at once, also without a connection.',
    ...reviewWords(review, offer),
  ];
}

function movingWords(moving: string[]): string {
  if (moving.length > 1) return 'In some parts you can move about and come back to questions; in others the way leads only forward.';
  return moving[0] === 'any order'
    ? 'Questions can be answered in any order, and come back to until you hand in.'
    : 'The way leads only forward: once you go on, a question cannot be come back to.';
}

function feedbackWords(feedback: string[]): string {
  const tells = feedback.filter((one) => one.startsWith('after'));
  if (tells.length === 0) return 'Nothing is marked before you hand in; until then an answer can be changed.';
  if (tells.length < feedback.length) return 'In some parts an answer is checked and marked at once; in others only at the end.';
  return tells.length === 1 && tells[0] === 'after the last attempt'
    ? 'An answer counts once you check it; what it came to is told after the last attempt.'
    : 'An answer counts once you check it, and you are told at once what it came to.';
}

const rungWords: Record<Schema['Rung'], string> = {
  nothing: 'no result',
  'passed or not': 'whether it was passed',
  total: 'the points',
  objectives: 'the points, and how each objective went',
  'own paper': 'the points and your answers',
  'marked paper': 'the points and your marked paper',
  'marked paper with key and feedback': 'your marked paper with the right answers',
};

function reviewWords(review: Opening['review'], offer: Schema['Offer']): string[] {
  const rungs = (rung: Schema['Rungs']) =>
    rung.closed === rung.atOnce || offer.closes === null
      ? rungWords[rung.atOnce]
      : `${rungWords[rung.atOnce]}, and once it has closed ${rungWords[rung.closed]}`;
  const { passed, notPassed } = review;
  if (notPassed === null || (passed.atOnce === notPassed.atOnce && passed.closed === notPassed.closed))
    return [`Afterwards you see ${rungs(passed)}.`];
  return [`Who passes sees ${rungs(passed)}; who does not sees ${rungs(notPassed)}.`];
}
