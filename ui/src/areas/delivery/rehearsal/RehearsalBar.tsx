import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, dataOf, errorWords } from '../../../api/client';
import type { paths } from '../../../api/schema';
import { AnswerLines } from '../../../kinds/common/answers/AnswerLines';
import { EditableChoice } from '../../../parts/fields/Editable';
import { Row } from '../../../parts/PageAndMargin';
import { figure } from '../../../parts/text/figures';
import { type Width, widthOptions } from '../../../parts/widths';
import { eventWords } from '../events';
import type { Sitting } from '../useSitting';

type Does = paths['/sittings/{id}/rehearsal']['post']['requestBody'] extends infer B
  ? NonNullable<B> extends { content: { 'application/json': infer J } }
    ? J
    : never
  : never;
type How = NonNullable<Does['how']>;

const hows: { value: How; words: string }[] = [
  { value: 'rightly', words: 'rightly' },
  { value: 'partly', words: 'partly rightly' },
  { value: 'wrongly', words: 'wrongly' },
  { value: 'by chance', words: 'by chance' },
  { value: 'not at all', words: 'not at all' },
];

/** What whoever rehearses can do beside what a candidate does, and what no candidate sees: tallies, ways, events. */
export function RehearsalBar(props: {
  sitting: Sitting;
  width: Width;
  onWidth: (width: Width) => void;
  onDone: (sitting: Sitting) => void;
}) {
  const { sitting, width, onWidth, onDone } = props;
  const [how, setHow] = useState<How>('rightly');
  const does = useMutation({
    mutationFn: (body: Does) => dataOf(api.POST('/sittings/{id}/rehearsal', { params: { path: { id: sitting.id } }, body })),
    onSuccess: onDone,
  });
  const navigate = useNavigate();
  const another = useMutation({
    mutationFn: () => dataOf(api.POST('/blueprints/{id}/rehearsals', { params: { path: { id: sitting.blueprint ?? 0 } }, body: {} })),
    onSuccess: (begun) => void navigate(`/sittings/${begun.id}`),
  });
  const error = does.error ?? another.error;
  const { watch, clocks, questions } = sitting;
  if (!watch) return null;
  const button = (words: string, body: Does) => (
    <button className="act" disabled={does.isPending} onClick={() => does.mutate(body)}>
      {words}
    </button>
  );
  const timed = (['question', 'section'] as const).filter((of) => clocks.some((clock) => clock.of === of));
  const hasTime = clocks.length > 0 || sitting.deadline !== null;
  return (
    <Row
      className="bg-tint text-sm"
      page={
        <div role="group" aria-label="Rehearsal" className="space-y-1 [&_button]:min-h-6">
          <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <span>
              answer for me <EditableChoice label="How it is answered" value={how} options={hows} onChange={setHow} />:
            </span>
            {questions.some(({ closed }) => !closed) && how !== 'not at all' && button('what is here', { do: 'answer', how })}
            {button('all that is to come', { do: 'answer', how, rest: true })}
            {button('a step back', { do: 'back' })}
            <button className="act" disabled={another.isPending} onClick={() => another.mutate()}>
              another form
            </button>
            <span>
              at <EditableChoice label="Width" value={width} options={widthOptions} onChange={onWidth} /> width
            </span>
          </p>
          <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
            <span>wind the clock on:</span>
            {[10, 60, 300].map((seconds) => (
              <span key={seconds}>
                {button(seconds < 60 ? `${seconds} s` : `${seconds / 60} min`, { do: 'wind on', to: 'seconds', seconds })}
              </span>
            ))}
            {timed.map((of) => (
              <span key={of}>{button(`to the end of this ${of}`, { do: 'wind on', to: of })}</span>
            ))}
            {sitting.deadline !== null && button('to the end of the whole', { do: 'wind on', to: 'whole' })}
            {(hasTime || watch.stopped) && (watch.stopped ? button('let it go on', { do: 'go on' }) : button('stop it', { do: 'stop' }))}
          </p>
          {error && (
            <p className="notice" role="alert">
              {errorWords(error)}
            </p>
          )}
        </div>
      }
      margin={<Watched watch={watch} />}
    />
  );
}

function Watched({ watch }: { watch: NonNullable<Sitting['watch']> }) {
  const [open, setOpen] = useState(false);
  return (
    <div className="max-h-60 space-y-1 overflow-y-auto">
      {watch.tallies.map(({ tally, value, band }) => (
        <p key={tally}>
          {tally} <b className="fig">{figure(value)}</b>
          {band !== null && `: ${band}`}
        </p>
      ))}
      {watch.given.map(({ n, given }) => (
        <p key={n}>
          question {n}, ungraded:{' '}
          <span className="font-reading">
            <AnswerLines lines={given} />
          </span>
        </p>
      ))}
      {watch.routes.map(({ step, to, by }, i) => (
        <p key={i}>
          step {step} → {to}, {by === null ? 'otherwise' : `by its route ${by}`}
        </p>
      ))}
      <p>
        <button className="act" aria-expanded={open} onClick={() => setOpen(!open)}>
          {open ? 'put the events away' : 'events'}
        </button>
        {watch.stopped && <b className="ml-3">the clock stands still</b>}
      </p>
      {open && (
        <ol className="max-h-60 overflow-y-auto" aria-label="Events">
          {watch.events.map(({ at, kind, n }, i) => (
            <li key={i} className="grid grid-cols-[64px_1fr] gap-2">
              <span className="fig text-right">{at} s</span>
              <span>
                {eventWords(kind)}
                {n !== null && `, question ${n}`}
              </span>
            </li>
          ))}
        </ol>
      )}
    </div>
  );
}
