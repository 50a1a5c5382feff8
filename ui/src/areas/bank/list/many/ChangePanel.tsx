import { useChanged } from '../../../../api/changed';
import { keepPreviousData, useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../../../api/client';
import { keys } from '../../../../api/keys';
import { undone } from '../../../../api/undone';
import { EditableChoice } from '../../../../parts/fields/Editable';
import { useKeys } from '../../../../parts/hooks/useKeys';
import { Row } from '../../../../parts/PageAndMargin';
import { count } from '../../../../parts/text/figures';
import { isOver, JobProgress, useJob } from '../../../background/JobProgress';
import type { Choosing } from './useChosen';
import { isEmpty, saying, toChange, wishes, type Wish } from './wanted';
import { WishLine } from './WishLine';

type Preview = Schema['ManyPreview'];

/** What a change of the chosen questions would do, told while it is put together. */
export function useManyPreview(bank: number, chosen: Choosing, wanted: Wish[]) {
  const change = toChange(wanted);
  const body = { ...chosen.body(), change };
  return useQuery({
    queryKey: keys.manyPreview(bank, JSON.stringify(body)),
    queryFn: ({ signal }) => dataOf(api.POST('/banks/{id}/questions/change/preview', { params: { path: { id: bank } }, body, signal })),
    enabled: chosen.count > 0 && !isEmpty(change),
    placeholderData: keepPreviousData,
    retry: false,
    gcTime: 0,
  });
}

/** The change of many: sentences on the page, what will happen in the margin, one step to do it and one to undo it. */
export function ChangePanel(props: {
  bank: number;
  chosen: Choosing;
  wanted: Wish[];
  onWant: (wanted: Wish[]) => void;
  preview: ReturnType<typeof useManyPreview>;
}) {
  const { bank, chosen, wanted, onWant, preview } = props;
  const [clearAgain, setClearAgain] = useState(false);
  const { make, undo, job, done } = useManyChange(bank, () => onWant([]));
  const change = toChange(wanted);
  const told = isEmpty(change) ? undefined : preview.data;
  const busy = make.isPending || (job !== null && !isOver(job));
  const commented = (told && (clearAgain || change.status === 'cleared') && told.commented) || 0;
  const left = wishes.filter((what) => what === 'points of a kind' || !wanted.some((wish) => wish.what === what));
  return (
    <Row
      className="border-t border-rule pt-3 pb-4"
      page={
        <>
          <h2 className="head mb-1">change {count(chosen.count, 'question')}</h2>
          {wanted.map((wish, i) => (
            <WishLine
              key={i}
              bank={bank}
              wish={wish}
              onChange={(next) => onWant(wanted.map((w, j) => (j === i ? next : w)))}
              onLeave={() => onWant(wanted.filter((_, j) => j !== i))}
            />
          ))}
          <p className="py-1">
            <EditableChoice
              label="Change also"
              value=""
              options={[
                { value: '', words: wanted.length === 0 ? 'what shall change …' : 'and also …' },
                ...left.map((what) => ({
                  value: what,
                  words: saying(what).replace(/[,:]$/, '') + (what.endsWith('kind') ? ' one kind become' : ''),
                })),
              ]}
              onChange={(what) => what !== '' && onWant([...wanted, { what, value: '' }])}
            />
          </p>
          <p className="pt-2">
            <button
              className="btn main"
              disabled={busy || preview.isPlaceholderData || !told || told.changed === 0}
              onClick={() => make.mutate({ ...chosen.body(), change, clearAgain })}
            >
              {told && told.changed > 0
                ? `Change ${count(told.changed, 'question')}${commented > 0 ? ' all the same' : ''}`
                : 'Nothing to change yet'}
            </button>
            {commented > 0 && (
              <span className="notice ml-3 inline-block" role="alert">
                {commented} of them {commented === 1 ? 'has' : 'have'} an open comment.{' '}
                <Link className="act" to={`/banks/${bank}/questions?comments=open`}>
                  look at {commented === 1 ? 'it' : 'them'} first
                </Link>
              </span>
            )}
          </p>
        </>
      }
      margin={
        <>
          <h2 className="head mb-1">what will happen</h2>
          {preview.error && !isEmpty(change) ? (
            <p className="notice" role="alert">
              {errorWords(preview.error)}
            </p>
          ) : (
            told && <Told told={told} clearAgain={clearAgain} onClearAgain={setClearAgain} />
          )}
          {job && !isOver(job) && <JobProgress job={job} doing="Changing" />}
          {(make.error ?? undo.error) && (
            <p className="notice" role="alert">
              {errorWords(make.error ?? undo.error)}
            </p>
          )}
          {done && (
            <p role="status">
              {job?.state === 'failed'
                ? job.failure
                : `${count(done.changed, 'question')} changed${done.left > 0 ? `; ${done.left} left, since someone saved them meanwhile` : ''}.`}{' '}
              {done.change !== null && (
                <button
                  className="act"
                  title="Ctrl Z"
                  disabled={undo.isPending}
                  onClick={() => done.change !== null && undo.mutate(done.change)}
                >
                  {undo.isPending ? 'being undone …' : 'undo'}
                </button>
              )}
            </p>
          )}
          {undo.isSuccess && <p role="status">Undone: all is as it was.</p>}
          {!told && !done && !undo.isSuccess && <p className="text-quiet">Nothing, until something is wanted. One step can be undone.</p>}
        </>
      }
    />
  );
}

function useManyChange(bank: number, onDone: () => void) {
  const queries = useQueryClient();
  const changed = useChanged();
  const refresh = () =>
    changed('many questions', bank).then(() => {
      for (const key of [keys.question(), keys.blueprint()]) queries.removeQueries({ queryKey: key });
    });
  const make = useMutation({
    mutationFn: (body: Schema['ManyChange']) => dataOf(api.POST('/banks/{id}/questions/change', { params: { path: { id: bank } }, body })),
    onSuccess: (begun) => {
      undo.reset();
      onDone();
      return isOver(begun) ? refresh() : undefined;
    },
  });
  const undo = useMutation({
    mutationFn: (change: number) => undone(bank, change),
    onSuccess: () => {
      make.reset();
      return refresh();
    },
  });
  const job = useJob(make.data, () => void refresh());
  const result = make.data && job && isOver(job) && job.result && 'changed' in job.result ? job.result : null;
  useKeys((e) => {
    const typing = e.target instanceof HTMLInputElement;
    if (!typing && (e.ctrlKey || e.metaKey) && e.key.toLowerCase() === 'z' && result?.change && !undo.isPending) {
      e.preventDefault();
      undo.mutate(result.change);
    }
  });
  return { make, undo, job: make.data ? job : null, done: result };
}

const shown = (value: string) => (value.length > 40 ? `${value.slice(0, 38)} …` : value);

function Told({ told, clearAgain, onClearAgain }: { told: Preview; clearAgain: boolean; onClearAgain: (on: boolean) => void }) {
  return (
    <>
      <table className="w-full">
        <tbody>
          {told.changes.map((row, i) => (
            <tr key={i} className="border-b border-rule">
              <td className="py-1 pr-3">
                {row.what}: {shown(row.from)} → {shown(row.to)}
              </td>
              <td className="fig py-1 text-right">{row.questions}</td>
            </tr>
          ))}
          {told.stays.map((row, i) => (
            <tr key={`s${i}`} className={`border-b border-rule ${/already/.test(row.why) ? 'text-quiet' : 'text-wrong'}`}>
              <td className="py-1 pr-3">
                {row.what} stays: {row.why}
              </td>
              <td className="fig py-1 text-right">{row.questions}</td>
            </tr>
          ))}
        </tbody>
      </table>
      {told.drafts > 0 && (
        <p className="pt-2">
          {told.drafts} cleared {told.drafts === 1 ? 'one gets a draft; its' : 'ones get a draft; their'} cleared revision is dealt until
          you clear {told.drafts === 1 ? 'it' : 'them'}.{' '}
          <label className="whitespace-nowrap">
            <input type="checkbox" checked={clearAgain} onChange={(e) => onClearAgain(e.target.checked)} /> Clear{' '}
            {told.drafts === 1 ? 'it' : 'them'} too
          </label>
        </p>
      )}
      <p className="pt-2 text-quiet">Editions are frozen and stay as they are. One step to undo.</p>
    </>
  );
}
