import { useState } from 'react';
import type { Blueprint, Document, Step } from '../src/areas/blueprint/document';
import { at, Served } from './served';

export const asked = (questions: number, points: string, more: object = {}) => ({
  questions,
  least: points,
  most: points,
  fit: null,
  overlaps: false,
  words: '',
  ...more,
});

const span = { fewest: 0, many: 0, least: '0', most: '0' };
const objective = (id: number, path: string) => ({ id, path, name: path.split(' > ').at(-1) ?? '', depth: path.split(' > ').length - 1 });

const question = (id: number, stem: string, more: object = {}) => ({
  id,
  stem,
  kind: 'one',
  worth: '2',
  status: 'cleared',
  isDealt: true,
  choices: ['Short', 'Long'],
  ...more,
});

/** A blueprint as the server tells it. */
export const blueprintOf = (more: object = {}, proof: object = {}) =>
  ({
    id: 3,
    bank: { id: 1, name: 'Hives' },
    version: 1,
    title: 'Paper',
    editions: [],
    candidates: 0,
    findings: [],
    questions: { trim: question(7, 'How is it trimmed?'), wick: question(8, 'Which wick?', { isDealt: false }) },
    board: {
      kinds: ['one'],
      rows: [
        { objective: objective(1, 'Lamps'), cells: {} },
        { objective: objective(2, 'Lamps > Wicks'), cells: {} },
      ],
    },
    proof: {
      problem: null,
      questions: 0,
      least: '0',
      most: '0',
      shortage: null,
      draws: [],
      pass: null,
      steps: {},
      paths: { count: 1, all: span, each: [] },
      before: {},
      grids: {},
      seconds: null,
      tallies: [],
      shares: [],
      advice: [],
      ...proof,
    },
    ...more,
  }) as unknown as Blueprint;

export const documentOf = (...sections: Step[][]): Document => ({
  v: 2,
  title: 'Paper',
  sections: sections.map((steps, i) => ({ id: `s${i + 1}`, title: `Part ${i + 1}`, steps })),
});

/** Shows a part of the blueprint's page and tells the document as it stands after each change. */
export async function planning(first: Document, show: (document: Document, onChange: (document: Document) => void) => React.ReactNode) {
  let now = first;
  function Page() {
    const [document, setDocument] = useState(first);
    return show(document, (next) => {
      now = next;
      setDocument(next);
    });
  }
  const served = new Served({
    'GET /banks/{id}/pages': { pages: ['care', 'smoke'].map((name, id) => ({ id, name, heading: null, reads: '', version: 1 })) },
    'GET /banks/{id}/pools': {
      pools: [{ id: 1, name: 'Swarms', filter: null, questions: 4, cleared: 3, waiting: { draft: 1 }, drawnBy: [] }],
    },
    'GET /banks/{id}/find': { found: [{ what: 'question', id: 9, words: 'Which oil?', more: 'oil' }] },
  });
  await at('/', '/', <Page />);
  return {
    served,
    now: () => now,
    /** the steps of all sections */
    steps: () => now.sections.flatMap(({ steps }) => steps),
  };
}
