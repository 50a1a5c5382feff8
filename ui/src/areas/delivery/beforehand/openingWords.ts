import type { Schema } from '../../../api/client';
import { points } from '../../../parts/text/figures';

type Opening = Schema['Opening'];

/** The rules of an assessment as a candidate needs them before it begins. */
export function openingSentences(opening: Opening): string[] {
  const { moving, feedback, review, offer, stakes } = opening;
  return [
    movingWords(moving),
    feedbackWords(feedback),
    ...costWords(stakes),
    ...timeWords(opening),
    'Whatever you give is saved at once, also without a connection.',
    ...reviewWords(review, offer, stakes.graded),
  ];
}

const costs: [keyof Pick<Opening['stakes'], 'wrong' | 'blank' | 'later' | 'hint'>, string, string][] = [
  ['wrong', 'A wrong answer', 'A wrong answer to some of the questions'],
  ['blank', 'A question left blank', 'Some of the questions, left blank,'],
  ['later', 'Each attempt after the first', 'Each attempt after the first at some of the questions'],
  ['hint', 'Each hint that you open', 'Each hint that you open at some of the questions'],
];

function costWords(stakes: Opening['stakes']): string[] {
  return costs.flatMap(([what, all, some]) => {
    const cost = stakes[what];
    if (cost === null) return [];
    const verb = !cost.all && what === 'blank' ? 'cost' : 'costs';
    return [`${cost.all ? all : some} ${verb} ${cost.points === null ? 'points' : `${cost.points} ${points(cost.points)}`}.`];
  });
}

const lateWords = {
  wrong: 'it counts as wrong, whatever was entered',
  blank: 'it counts as left blank, whatever was entered',
  marks: 'what you have entered is marked',
};

function timeWords({ clocks, runningOut, endsAtClosing, stakes, offer }: Opening): string[] {
  const isDropped = runningOut.includes('unanswered');
  const counts = !isDropped
    ? 'what you have entered counts'
    : runningOut.length > 1
      ? 'in some parts what you have entered and not checked does not count'
      : 'what you have entered and not checked does not count';
  const [late] = stakes.late;
  return [
    ...(clocks.includes('whole') ? [`When the time runs out, your paper is handed in as it is; ${counts}.`] : []),
    ...(offer.closes !== null && endsAtClosing ? [`When it closes, whoever still sits is handed in in the same way.`] : []),
    ...(clocks.includes('section') ? ['When the time of a part runs out, its other questions are left behind.'] : []),
    ...(late === undefined
      ? []
      : [
          stakes.late.length === 1
            ? `When the time of a question runs out, ${lateWords[late]}.`
            : 'When the time of a question runs out, it is told what becomes of what you have entered.',
        ]),
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

/** Where nothing is marked there are no points to promise. */
const ungraded = (rung: Schema['Rung']) =>
  rung === 'own paper' || rung === 'marked paper' || rung === 'marked paper with key and feedback' ? 'your answers' : 'no result';

function reviewWords(review: Opening['review'], offer: Schema['Offer'], isGraded: boolean): string[] {
  const words = (rung: Schema['Rung']) => (isGraded ? rungWords[rung] : ungraded(rung));
  const rungs = (rung: Schema['Rungs']) =>
    words(rung.closed) === words(rung.atOnce) || offer.closes === null
      ? words(rung.atOnce)
      : `${words(rung.atOnce)}, and once it has closed ${words(rung.closed)}`;
  const { passed, notPassed } = review;
  if (notPassed === null || (passed.atOnce === notPassed.atOnce && passed.closed === notPassed.closed))
    return [`Afterwards you see ${rungs(passed)}.`];
  return [`Who passes sees ${rungs(passed)}; who does not sees ${rungs(notPassed)}.`];
}
