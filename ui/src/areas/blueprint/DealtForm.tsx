import { useQuery } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../api/client';
import { keys } from '../../api/keys';
import { Editable } from '../../parts/fields/Editable';
import { count, points } from '../../parts/text/figures';
import { type Blueprint, type Document, numbered } from './document';
import { stepWords } from './running/words';

type Form = Schema['Form'];

interface Props {
  blueprint: Blueprint;
  document: Document;
  seed: number;
  onSeed: (seed: number) => void;
  onClose: () => void;
}

/** One form as a candidate might get it, and on request another beside it: where they differ, and why each question is there. The same seed gives the same form. */
export function DealtForm({ blueprint, document, seed, onSeed, onClose }: Props) {
  const [other, setOther] = useState<number | null>(null);
  const form = useDealt(blueprint, seed);
  const beside = useDealt(blueprint, other);
  const section = useRef<HTMLElement>(null);
  useEffect(() => {
    // What it returns, in newer browsers a promise, is none of an effect's business.
    section.current?.scrollIntoView({ block: 'nearest' });
  }, []);
  const whys = reasons(blueprint, document);
  const both = form.data && beside.data ? form.data.questions.filter((q) => holds(beside.data, q.id)).length : 0;
  const error = form.error ?? beside.error;
  return (
    <section className="mb-5 border-b-2 border-moss pb-4" aria-label="A form" ref={section}>
      <h2>
        <span className="head">a form</span>{' '}
        <span className="path">
          <Seed label="Seed" seed={seed} onSeed={onSeed} />
          {form.data && ` · ${form.data.points} ${points(form.data.points)}`} ·{' '}
          <button className="act" onClick={() => onSeed(seed + 1)}>
            another
          </button>{' '}
          {other === null && (
            <button className="act" onClick={() => setOther(seed + 1)}>
              beside another
            </button>
          )}{' '}
          <button className="act" onClick={onClose}>
            put it away
          </button>
        </span>
      </h2>
      {other !== null && (
        <p className="path">
          beside <Seed label="The other seed" seed={other} onSeed={setOther} />
          {beside.data && ` · ${beside.data.points} ${points(beside.data.points)}`}
          {form.data && beside.data && ` · both have ${count(both, 'question')} of ${form.data.questions.length}`} ·{' '}
          <button className="act" onClick={() => setOther(null)}>
            one alone
          </button>
        </p>
      )}
      {error && (
        <p className="notice mt-1" role="alert">
          {errorWords(error)}
        </p>
      )}
      <div className={other === null ? '' : 'grid gap-x-6 md:grid-cols-2'}>
        {form.data && <Questions bank={blueprint.bank.id} form={form.data} other={beside.data} whys={whys} />}
        {beside.data && <Questions bank={blueprint.bank.id} form={beside.data} other={form.data} whys={whys} />}
      </div>
    </section>
  );
}

const useDealt = (blueprint: Blueprint, seed: number | null) =>
  useQuery({
    queryKey: keys.form(blueprint.id, blueprint.version, seed ?? 0),
    queryFn: () => dataOf(api.POST('/blueprints/{id}/deal', { params: { path: { id: blueprint.id } }, body: { seed: seed ?? 0 } })),
    enabled: seed !== null,
    retry: false,
  });

function Seed({ label, seed, onSeed }: { label: string; seed: number; onSeed: (seed: number) => void }) {
  return (
    <>
      seed{' '}
      <Editable
        label={label}
        value={String(seed)}
        refuse={(v) => (/^\d{1,15}$/.test(v) ? null : 'a whole number of at most 15 digits')}
        onChange={(v) => onSeed(Number(v))}
      />
    </>
  );
}

const holds = (form: Form, id: number) => form.questions.some((q) => q.id === id);

/** Why a question stands in a form, by the step that asked for it, of those that ask counted from 1. */
export function reasons(blueprint: Blueprint, document: Document): string[] {
  const telling = { document, questions: blueprint.questions };
  return numbered(document)
    .filter(({ step }) => 'question' in step || 'draw' in step)
    .map(({ step, number }) => {
      if ('question' in step) return `step ${number}: it stands in every form`;
      const fit = blueprint.proof.steps[step.id]?.fit ?? null;
      return `step ${number}: ${stepWords(step, telling).main}${fit === null ? '' : ` of ${fit}`}`;
    });
}

interface QuestionsProps {
  bank: number;
  form: Form;
  other: Form | undefined;
  whys: string[];
}

function Questions({ bank, form, other, whys }: QuestionsProps) {
  return (
    <ol aria-label={`Seed ${form.seed}`}>
      {form.questions.map((q, i) => {
        const alone = other !== undefined && !holds(other, q.id);
        return (
          <li key={q.id} className="grid grid-cols-[26px_1fr_3rem] items-baseline gap-x-2 border-t border-rule py-1">
            <span className="fig text-quiet">{i + 1}</span>
            <Link
              className={`truncate font-reading text-ink no-underline hover:underline ${alone ? 'font-semibold' : ''}`}
              to={`/banks/${bank}/questions/${q.id}`}
              title={q.objective ?? ''}
            >
              {q.stem}
            </Link>
            <span className="fig text-right">{q.worth}</span>
            <span className="path col-start-2 truncate" title={whys[q.step - 1]}>
              {alone && <b>only here · </b>}
              {q.kind} · {whys[q.step - 1]}
            </span>
          </li>
        );
      })}
    </ol>
  );
}
