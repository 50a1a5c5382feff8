import { type KeyboardEvent, useState } from 'react';
import { HandleMenu } from '../../../parts/HandleMenu';
import { beginStep } from '../../../parts/hooks/useHistory';
import { Moving, MovingRow } from '../../../parts/Moving';
import { figure } from '../../../parts/text/figures';
import {
  type Blueprint,
  copied,
  divided,
  type Document,
  inserted,
  moved,
  nudged,
  numbered,
  type Numbered,
  type Place,
  placedSection,
  removed,
} from '../document';
import { AddStep } from './AddStep';
import { Gutter } from './route/Gutter';
import { SectionHead } from './SectionHead';
import { StepDetails } from './step/StepDetails';
import type { Offer } from './typedStep';
import { sectionWords, stepWords } from './words';

interface Props {
  blueprint: Blueprint;
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

/** The steps of an assessment from top to bottom in their sections, with the routes along the edge; steps are typed in, moved, opened and taken out. */
export function RunningOrder({ blueprint, document, readOnly, onChange }: Props) {
  const [adding, setAdding] = useState<Place | null>(null);
  const [open, setOpen] = useState<string | null>(null);
  const all = numbered(document);
  const change = (next: Document) => {
    beginStep();
    onChange(next);
  };
  const put = (offer: Offer) => {
    if (!adding) return;
    if ('section' in offer) {
      const made = divided(document, adding, offer.section);
      change(made.document);
      setAdding({ section: made.id, index: 0 });
      return;
    }
    const made = inserted(document, adding, offer.step);
    change(made.document);
    setAdding({ ...adding, index: adding.index + 1 });
    // What a checkpoint asks is said at once.
    if ('checkpoint' in offer.step) {
      setOpen(made.id);
      setAdding(null);
    }
  };
  const drop = (from: number, to: number) => {
    const [taken, target] = [all[from], all[to]];
    // Behind the steps stand the sections: one is put where another is, a step at the beginning of one.
    const [section, into] = [document.sections[from - all.length], target?.section ?? document.sections[to - all.length]];
    if (section && into) change(placedSection(document, section.id, into.id));
    else if (taken && !target && into) change(moved(document, taken.step.id, { section: into.id, index: 0 }));
    else if (taken && target)
      change(moved(document, taken.step.id, { section: target.section.id, index: target.index + (from < to ? 1 : 0) }));
  };
  const called = (i: number) => (i < all.length ? `step ${i + 1}` : sectionWords(document, document.sections[i - all.length]?.id ?? ''));
  const line = (at: Numbered) => (
    <StepLine
      key={at.step.id}
      at={at}
      {...{ blueprint, document, readOnly }}
      isOpen={open === at.step.id}
      onOpen={() => setOpen(open === at.step.id ? null : at.step.id)}
      onChange={change}
      onAdd={() => setAdding({ section: at.section.id, index: at.index + 1 })}
    />
  );
  const field = (place: Place) =>
    adding?.section === place.section &&
    adding.index === place.index && <AddStep key="add" blueprint={blueprint} onPut={put} onLeave={() => setAdding(null)} />;
  return (
    <Moving what={called} onMove={drop}>
      <div className="relative">
        <Gutter document={document} />
        {all.length === 0 && adding === null && (
          <p className="py-2">
            This form is still empty. Put in steps one by one, or type a number on the quota board below: so many questions of that
            objective and kind are drawn at random.
          </p>
        )}
        {document.sections.map((section, s) => {
          const steps = all.filter((at) => at.section.id === section.id);
          return (
            <section key={section.id} aria-label={section.title ?? 'Running order'}>
              <SectionHead {...{ document, section, readOnly }} i={all.length + s} onChange={change} />
              {field({ section: section.id, index: 0 })}
              {steps.map((at) => [line(at), field({ section: section.id, index: at.index + 1 })])}
              {!readOnly && (
                <p className="py-1 pl-[82px]">
                  <button
                    className="act text-sm"
                    aria-label={section.title ? `Put in a step at the end of “${section.title}”` : undefined}
                    onClick={() => setAdding({ section: section.id, index: section.steps.length })}
                  >
                    {all.length === 0 ? 'Put in the first step' : 'put in a step'}
                  </button>
                </p>
              )}
            </section>
          );
        })}
      </div>
    </Moving>
  );
}

interface LineProps extends Props {
  at: Numbered;
  isOpen: boolean;
  onOpen: () => void;
  onAdd: () => void;
}

function StepLine({ at, blueprint, document, readOnly, isOpen, onOpen, onChange, onAdd }: LineProps) {
  const { step, number } = at;
  const telling = { document, questions: blueprint.questions };
  const { main, isRead, more } = stepWords(step, telling);
  const asks = blueprint.proof.steps[step.id];
  const findings = blueprint.findings.filter(({ where }) => where === step.id);
  const draws = numbered(document).filter((one) => 'draw' in one.step);
  const isShort = (blueprint.proof.shortage?.draws ?? []).some((n) => draws[n - 1]?.step.id === step.id);
  const act = {
    up: () => onChange(nudged(document, step.id, -1)),
    down: () => onChange(nudged(document, step.id, 1)),
    copy: () => onChange(copied(document, step.id).document),
    out: () => onChange(removed(document, step.id)),
  };
  const onKeyDown = (e: KeyboardEvent) => {
    if (e.key === 'Insert' || e.key === '+') {
      e.preventDefault();
      onAdd();
      return;
    }
    if (e.altKey && e.key === 'ArrowUp') act.up();
    else if (e.altKey && e.key === 'ArrowDown') act.down();
    else if (e.key === 'Delete' || e.key === 'Backspace') act.out();
    else if ((e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'd') act.copy();
    else return;
    e.preventDefault();
    // The handle is where its step is by then.
    requestAnimationFrame(() => window.document.querySelector<HTMLElement>(`[data-of="step ${step.id}"]`)?.focus());
  };
  const items: [string, string, () => void][] = [
    [isOpen ? 'put away' : 'open', '', onOpen],
    ['put a step behind it', '+', onAdd],
    ['move up', 'Alt ↑', act.up],
    ['move down', 'Alt ↓', act.down],
    ['copy', 'Ctrl D', act.copy],
    ['take out', 'Del', act.out],
  ];
  return (
    <div className={`border-t border-rule ${isOpen ? 'bg-tint' : ''}`}>
      <MovingRow i={number - 1} disabled={readOnly}>
        <div
          data-step={step.id}
          data-sort={'checkpoint' in step ? 'checkpoint' : 'step'}
          className="grid min-h-[34px] w-full grid-cols-[56px_26px_1fr_auto] items-baseline py-1"
        >
          <span />
          {readOnly ? (
            <span className="fig text-quiet">{number}</span>
          ) : (
            <HandleMenu i={number - 1} label={`Step ${number}: ${main}`} items={items} onKeyDown={onKeyDown} of={`step ${step.id}`} />
          )}
          <span className={`min-w-0 ${isShort || findings.length > 0 ? 'text-wrong' : ''}`}>
            <button className={`text-left ${isRead ? 'font-reading text-[17px]' : ''}`} aria-expanded={isOpen} onClick={onOpen}>
              {main}
            </button>{' '}
            <span className="path ml-1">
              {[...(asks && asks.fit !== null ? [isShort ? `${asks.fit} fit` : `of ${asks.fit}`] : []), ...more].join(' · ')}
            </span>
            {findings.map(({ subject, message }, i) => (
              <span key={i} className="block text-sm" data-subject={subject}>
                {message}
              </span>
            ))}
          </span>
          <span className={`fig pl-3 ${isShort ? 'text-wrong' : 'text-soft'}`}>
            {asks && (asks.least === asks.most ? figure(asks.most) : `${figure(asks.least)} to ${figure(asks.most)}`)}
          </span>
        </div>
      </MovingRow>
      {isOpen && <StepDetails {...{ at, blueprint, document, readOnly, onChange }} />}
    </div>
  );
}
