import { type ReactNode, type SubmitEvent, useId, useState } from 'react';
import { errorWords, type Schema } from '../../../api/client';
import { useKeys } from '../../../parts/hooks/useKeys';
import { count } from '../../../parts/text/figures';
import { liesBelow } from './tree';
import type { ObjectiveChange, ObjectiveChanges } from './useObjectiveChanges';
import type { Doing } from './ObjectiveMenu';

type Objective = Schema['Objective'];

interface Props {
  objectives: Objective[];
  /** null: at the top */
  objective: Objective | null;
  /** how many questions stand right at it */
  questions: number;
  doing: Doing;
  changes: ObjectiveChanges;
  onDone: () => void;
}

/** What is being done with an objective, at its place; Escape leaves it as it is. */
export function ObjectiveForm(props: Props) {
  const { objective, doing, changes, onDone } = props;
  useKeys((e) => {
    if (e.key === 'Escape') onDone();
  });
  return (
    <div className="flex flex-wrap items-baseline gap-x-4 gap-y-2 py-2">
      {doing === 'add' && <Add {...props} />}
      {doing === 'describe' && objective && <Describe {...props} objective={objective} />}
      {doing === 'merge' && objective && <Merge {...props} objective={objective} />}
      {doing === 'remove' && objective && <Remove {...props} objective={objective} />}
      {changes.change.error && (
        <span className="notice" role="alert">
          {errorWords(changes.change.error)}
        </span>
      )}
    </div>
  );
}

function Form({ onSubmit, onLeave, act, children }: { onSubmit: () => void; onLeave: () => void; act: string; children: ReactNode }) {
  return (
    <form
      className="flex flex-wrap items-baseline gap-x-4 gap-y-2"
      onSubmit={(e: SubmitEvent) => {
        e.preventDefault();
        onSubmit();
      }}
    >
      {children}
      <span className="acts">
        <button className="act">{act}</button>
        <button type="button" className="act" onClick={onLeave}>
          leave it
        </button>
      </span>
    </form>
  );
}

const focus = (input: HTMLInputElement | null) => {
  if (input && input.dataset.seen === undefined) {
    input.dataset.seen = '';
    input.focus();
  }
};

function Add({ objective, changes, onDone }: Props) {
  const [name, setName] = useState('');
  const add = () => {
    if (name.trim() === '') return;
    // The field is free for the next one at once; a name that is refused comes back, unless another is being typed.
    setName('');
    changes.change.mutate(
      { do: 'add', parent: objective?.id ?? null, name },
      { onError: () => setName((typed) => (typed === '' ? name : typed)) },
    );
  };
  return (
    <Form onSubmit={add} onLeave={onDone} act="Add it">
      <label>
        {objective ? `below “${objective.name}”: ` : 'a new objective: '}
        <input
          ref={focus}
          className="field w-72"
          maxLength={500}
          placeholder="a name, or a path: Swarms > Catching"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
    </Form>
  );
}

function Describe({ objective, changes, onDone }: Props & { objective: Objective }) {
  const [typed, setTyped] = useState({ name: objective.name, code: objective.code, description: objective.description });
  // What was on the screen when it was opened is what is built on, also once the board is read anew.
  const [seen] = useState(objective.version);
  const set = (part: Partial<typeof typed>) => setTyped({ ...typed, ...part });
  const same = typed.name === objective.name && typed.code === objective.code && typed.description === objective.description;
  return (
    <Form
      act="Keep"
      onLeave={onDone}
      onSubmit={() =>
        same ? onDone() : changes.change.mutate({ do: 'describe', id: objective.id, version: seen, ...typed }, { onSuccess: onDone })
      }
    >
      <label>
        name <input ref={focus} className="field w-60" maxLength={160} value={typed.name} onChange={(e) => set({ name: e.target.value })} />
      </label>
      <label>
        code <input className="field w-20" maxLength={40} value={typed.code} onChange={(e) => set({ code: e.target.value })} />
      </label>
      <label>
        description{' '}
        <input
          className="field w-80 max-w-full"
          maxLength={2000}
          value={typed.description}
          onChange={(e) => set({ description: e.target.value })}
        />
      </label>
    </Form>
  );
}

function Merge({ objective, objectives, questions, changes, onDone }: Props & { objective: Objective }) {
  const [typed, setTyped] = useState('');
  const list = useId();
  const others = objectives.filter((o) => o.id !== 0 && o.id !== objective.id && !liesBelow(o, objective));
  const into = others.find((o) => o.path.toLowerCase() === typed.trim().toLowerCase());
  const change: ObjectiveChange | null = into ? { do: 'merge', id: objective.id, into: into.id } : null;
  return (
    <Form act="Merge them" onLeave={onDone} onSubmit={() => change && changes.change.mutate(change, { onSuccess: onDone })}>
      <label>
        “{objective.name}” with its {count(questions, 'question')} and all below it goes into{' '}
        <input ref={focus} className="field w-72 max-w-full" list={list} value={typed} onChange={(e) => setTyped(e.target.value)} />
      </label>
      <datalist id={list}>
        {others.map((o) => (
          <option key={o.id} value={o.path} />
        ))}
      </datalist>
      {typed.trim() !== '' && !into && <span className="text-quiet">no such objective</span>}
    </Form>
  );
}

function Remove({ objective, objectives, questions, changes, onDone }: Props & { objective: Objective }) {
  const parent = objectives.find(({ id }) => id === objective.parent);
  const home = parent ? `goes to “${parent.name}”` : questions > 0 ? 'stands without an objective' : 'goes';
  return (
    <Form
      act="Take it out"
      onLeave={onDone}
      onSubmit={() => changes.change.mutate({ do: 'remove', id: objective.id }, { onSuccess: onDone })}
    >
      <span>
        What “{objective.name}” holds ({count(questions, 'question')}) {home}; it can be undone.
      </span>
    </Form>
  );
}
