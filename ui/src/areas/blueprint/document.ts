import type { Schema } from '../../api/client';

export type Blueprint = Schema['Blueprint'];
export type Document = Omit<Schema['BlueprintDocument'], '$defs'>;
export type Section = Document['sections'][number];
export type Step = Section['steps'][number];
export type PageStep = Extract<Step, { page: string }>;
export type QuestionStep = Extract<Step, { question: string }>;
export type DrawStep = Extract<Step, { draw: object }>;
export type CheckpointStep = Extract<Step, { checkpoint: object }>;
export type Pool = DrawStep['draw']['pool'];
export type Route = NonNullable<CheckpointStep['checkpoint']['routes']>[number];
export type Condition = Route['when'];
export type Rules = NonNullable<Document['rules']>;

/** A step as it is asked for before it has an id. */
export type Asked = { page: string } | { question: string } | { draw: DrawStep['draw'] } | { checkpoint: CheckpointStep['checkpoint'] };

export interface Numbered {
  step: Step;
  section: Section;
  /** from 1, through all sections */
  number: number;
  /** within its section, from 0 */
  index: number;
}

/** All steps in the order written, with their numbers. */
export function numbered(document: Document): Numbered[] {
  let number = 0;
  return document.sections.flatMap((section) => section.steps.map((step, index) => ({ step, section, number: ++number, index })));
}

export const stepOf = (document: Document, id: string) => numbered(document).find(({ step }) => step.id === id);

/** An id that nothing in the document has: the letter and the lowest number that is free. */
export function freeId(document: Document, letter: string): string {
  const taken = new Set(document.sections.flatMap(({ id, steps }) => [id, ...steps.map((step) => step.id)]));
  for (let n = 1; ; n++) if (!taken.has(`${letter}${n}`)) return `${letter}${n}`;
}

const letterOf = (step: Asked) => ('page' in step ? 'p' : 'question' in step ? 'q' : 'draw' in step ? 'd' : 'c');

const withSection = (document: Document, id: string, change: (section: Section) => Section): Document => ({
  ...document,
  sections: document.sections.map((section) => (section.id === id ? change(section) : section)),
});

/** A place between steps: in a section, before the step that has this index now. */
export interface Place {
  section: string;
  index: number;
}

export function inserted(document: Document, at: Place, asked: Asked): { document: Document; id: string } {
  const id = freeId(document, letterOf(asked));
  const step = { ...asked, id } as Step;
  return {
    id,
    document: withSection(document, at.section, (section) => ({ ...section, steps: section.steps.toSpliced(at.index, 0, step) })),
  };
}

/** The document with another step in place of one. */
export const replaced = (document: Document, id: string, step: Step): Document => ({
  ...document,
  sections: document.sections.map((section) => ({ ...section, steps: section.steps.map((old) => (old.id === id ? step : old)) })),
});

/** Every way on that leads to one id leads to another, or, at null, to what follows. */
export function redirected(document: Document, from: string, to: string | null): Document {
  const way = <T extends { then?: string | undefined }>(one: T): T => {
    if (one.then !== from) return one;
    return (to === null ? without(one, 'then') : { ...one, then: to }) as T;
  };
  const step = (one: Step): Step => {
    if ('page' in one) return way(one);
    if ('checkpoint' in one) {
      const { routes = [], otherwise, ...rest } = one.checkpoint;
      return {
        ...one,
        checkpoint: {
          ...rest,
          routes: routes.map((route) => (route.to === from ? { ...route, to: to ?? 'next' } : route)),
          ...(otherwise !== undefined && { otherwise: otherwise === from ? (to ?? 'next') : otherwise }),
        },
      };
    }
    if ('question' in one && one.leads)
      return { ...one, leads: Object.fromEntries(Object.entries(one.leads).map(([choice, lead]) => [choice, lead && way(lead)])) };
    return one;
  };
  return { ...document, sections: document.sections.map((section) => ({ ...section, steps: section.steps.map(step) })) };
}

/** Without a step; what led to it leads to what follows it. */
export function removed(document: Document, id: string): Document {
  const all = numbered(document);
  const at = all.findIndex(({ step }) => step.id === id);
  const without = {
    ...document,
    sections: document.sections.map((section) => ({ ...section, steps: section.steps.filter((step) => step.id !== id) })),
  };
  return redirected(without, id, all[at + 1]?.step.id ?? 'end');
}

/** A step taken from where it is and put where another place is now. */
export function moved(document: Document, id: string, to: Place): Document {
  const from = stepOf(document, id);
  if (!from) return document;
  const index = from.section.id === to.section && from.index < to.index ? to.index - 1 : to.index;
  const without = withSection(document, from.section.id, (section) => ({
    ...section,
    steps: section.steps.filter((step) => step.id !== id),
  }));
  return withSection(without, to.section, (section) => ({ ...section, steps: section.steps.toSpliced(index, 0, from.step) }));
}

/** One place up or down; over the edge of its section into the next one. */
export function nudged(document: Document, id: string, by: -1 | 1): Document {
  const from = stepOf(document, id);
  if (!from) return document;
  const { section, index } = from;
  const place = document.sections.findIndex((one) => one.id === section.id);
  const beside = document.sections[place + by];
  if (by < 0 ? index > 0 : index < section.steps.length - 1)
    return moved(document, id, { section: section.id, index: by < 0 ? index - 1 : index + 2 });
  return beside ? moved(document, id, { section: beside.id, index: by < 0 ? beside.steps.length : 0 }) : document;
}

/** A copy right behind it. */
export function copied(document: Document, id: string): { document: Document; id: string } {
  const from = stepOf(document, id);
  if (!from) return { document, id };
  return inserted(document, { section: from.section.id, index: from.index + 1 }, from.step);
}

/** What stands behind a place becomes a section of its own. */
export function divided(document: Document, at: Place, title: string): { document: Document; id: string } {
  const id = freeId(document, 's');
  return {
    id,
    document: {
      ...document,
      sections: document.sections.flatMap((section) =>
        section.id === at.section
          ? [
              { ...section, steps: section.steps.slice(0, at.index) },
              { id, title, steps: section.steps.slice(at.index) },
            ]
          : [section],
      ),
    },
  };
}

/** Without a section: its steps join the one before it, or the one behind where it is the first. */
export function joined(document: Document, id: string): Document {
  const place = document.sections.findIndex((section) => section.id === id);
  const gone = document.sections[place];
  const into = document.sections[place - 1] ?? document.sections[place + 1];
  if (!gone || !into) return document;
  const steps = place > 0 ? [...into.steps, ...gone.steps] : [...gone.steps, ...into.steps];
  const without = {
    ...document,
    sections: document.sections
      .filter((section) => section.id !== id)
      .map((section) => (section.id === into.id ? { ...into, steps } : section)),
  };
  return redirected(without, id, gone.steps[0]?.id ?? null);
}

/** A section with all its steps right behind itself; ways within the copy stay within it. */
export function copiedSection(document: Document, id: string): Document {
  const place = document.sections.findIndex((section) => section.id === id);
  const section = document.sections[place];
  if (!section) return document;
  let copy: Document = {
    ...document,
    sections: document.sections.toSpliced(place + 1, 0, { ...section, id: freeId(document, 's'), steps: [] }),
  };
  const into = copy.sections[place + 1]?.id ?? '';
  const ids = new Map<string, string>();
  section.steps.forEach((step, index) => {
    const made = inserted(copy, { section: into, index }, step);
    copy = made.document;
    ids.set(step.id, made.id);
  });
  const alone: Document = { ...copy, sections: [copy.sections[place + 1] as Section] };
  const led = [...ids].reduce((doc, [from, to]) => redirected(doc, from, to), alone);
  return { ...copy, sections: copy.sections.with(place + 1, led.sections[0] as Section) };
}

export function movedSection(document: Document, id: string, by: -1 | 1): Document {
  const beside = document.sections[document.sections.findIndex((section) => section.id === id) + by];
  return beside ? placedSection(document, id, beside.id) : document;
}

/** A section taken from where it is and put where another stands now. */
export function placedSection(document: Document, id: string, at: string): Document {
  const place = (one: string) => document.sections.findIndex((section) => section.id === one);
  const section = document.sections[place(id)];
  if (!section || place(at) < 0) return document;
  return { ...document, sections: document.sections.toSpliced(place(id), 1).toSpliced(place(at), 0, section) };
}

export const putSection = (document: Document, id: string, part: Partial<Section>): Document =>
  withSection(document, id, (section) => tidy({ ...section, ...part }));

/** The same without one of its fields. */
export const without = <T extends object, K extends keyof T>(value: T, key: K): Omit<T, K> =>
  Object.fromEntries(Object.entries(value).filter(([field]) => field !== key)) as Omit<T, K>;

/** Without what is undefined, which the format does not know. */
export function tidy<T extends object>(value: T): T {
  return Object.fromEntries(Object.entries(value).filter(([, one]) => one !== undefined)) as T;
}
