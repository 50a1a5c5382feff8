import { useQuery } from '@tanstack/react-query';
import { poolsQuery } from '../../api/queries';
import { figure } from '../../parts/text/figures';
import { Editable, EditableChoice } from '../../parts/fields/Editable';
import { cellOf } from '../bank/board/coverage';
import type { Blueprint, Plan } from './usePlan';
import { quota, why } from './typed';

/** The steps of a form from top to bottom, with the worth of each. */
export function RunningOrder({
  blueprint,
  plan,
  readOnly,
  onChange,
}: {
  blueprint: Blueprint;
  plan: Plan;
  readOnly: boolean;
  onChange: (plan: Plan) => void;
}) {
  if (plan.steps.length === 0) {
    return (
      <p className="py-2">
        This form is still empty. Type a number on the quota board below: so many questions of that objective and kind are drawn at random.
      </p>
    );
  }
  const short = blueprint.proof.shortage?.draws ?? [];
  // Numbers of the draws, counted in the order written, as the proof counts them.
  const numbers = plan.steps.map((_, i) => plan.steps.slice(0, i).filter((step) => step.draw).length);
  return (
    <ol className="relative">
      <li className="absolute top-4 bottom-4 left-[13px] w-0 border-l-2 border-moss" aria-hidden />
      {plan.steps.map((step, i) => {
        const drawNumber = numbers[i] ?? 0;
        const proof = blueprint.proof.draws[drawNumber];
        const isShort = short.includes(drawNumber + 1);
        const cell = cellOf(step);
        const worth = proof ? (proof.least === proof.most ? proof.most : `${figure(proof.least)} to ${figure(proof.most)}`) : '…';
        const retake = (take: number) =>
          onChange({ ...plan, steps: plan.steps.map((s, j) => (j === i && s.draw ? { draw: { ...s.draw, take } } : s)) });
        return (
          <li
            key={i}
            className="group grid min-h-8 grid-cols-[34px_26px_1fr_auto] items-baseline border-t border-rule py-1 first:border-t-0"
          >
            <span className="relative ml-[9px] size-[10px] self-center rounded-full border-2 border-moss bg-sheet" aria-hidden />
            <span className="fig text-quiet">{i + 1}</span>
            {step.draw ? (
              <span className={isShort ? 'text-wrong' : ''}>
                take{' '}
                <Editable
                  label={`Step ${i + 1}, how many`}
                  value={String(step.draw.take)}
                  disabled={readOnly}
                  width={3}
                  refuse={(v) => (v === '0' ? 'at least 1; or take the step out' : why(quota)(v))}
                  onChange={(v) => retake(Number(v))}
                />{' '}
                of {cell ? cell.path.replaceAll(' > ', ' › ') : (proof?.words ?? '…')}
                {cell && `: ${cell.kind}`} {proof && <span className="path ml-1">{isShort ? `${proof.fit} fit` : `of ${proof.fit}`}</span>}
                {!readOnly && (
                  <button
                    className="act ml-3 text-sm opacity-0 group-hover:opacity-100 focus-visible:opacity-100 [@media(hover:none)]:opacity-100"
                    aria-label={`Take step ${i + 1} out`}
                    onClick={() => onChange({ ...plan, steps: plan.steps.toSpliced(i, 1) })}
                  >
                    take out
                  </button>
                )}
              </span>
            ) : (
              <span>question {step.question}</span>
            )}
            <span className={`fig ${isShort ? 'text-wrong' : 'text-soft'}`}>{worth}</span>
          </li>
        );
      })}
    </ol>
  );
}

/** Draws that no cell of the quota board is: from a pool that the bank keeps. */
export function DrawFromPool({ blueprint, plan, onChange }: { blueprint: Blueprint; plan: Plan; onChange: (plan: Plan) => void }) {
  const pools = useQuery(poolsQuery(blueprint.bank.id)).data?.pools ?? [];
  if (pools.length === 0) return null;
  return (
    <p className="py-1 pl-[60px]">
      <EditableChoice
        label="Draw from a pool"
        value=""
        options={[
          { value: '', words: 'draw from a pool …' },
          ...pools.map(({ name, cleared }) => ({ value: name, words: `${name} (${cleared})` })),
        ]}
        onChange={(name) => name !== '' && onChange({ ...plan, steps: [...plan.steps, { draw: { take: 1, pool: { in: name } } }] })}
      />
    </p>
  );
}
