import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { api, dataOf, errorWords } from '../../../api/client';
import { Editable } from '../../../parts/fields/Editable';
import { grouped } from '../../../parts/text/figures';
import { isOver, JobProgress, useJob } from '../../background/JobProgress';
import type { Blueprint } from '../document';
import { Simulated } from './Simulated';

interface Props {
  blueprint: Blueprint;
  onClose: () => void;
}

/** Many forms dealt in the background, to see how fair they are; stopped half-way, what was dealt so far is told. */
export function DealMany({ blueprint, onClose }: Props) {
  const [forms, setForms] = useState(10_000);
  const [seed, setSeed] = useState(1);
  const deal = useMutation({
    mutationFn: () => dataOf(api.POST('/blueprints/{id}/simulations', { params: { path: { id: blueprint.id } }, body: { forms, seed } })),
  });
  // It was pressed for: it deals at once. Other numbers are dealt by another press.
  const isBegun = useRef(false);
  useEffect(() => {
    if (isBegun.current) return;
    isBegun.current = true;
    deal.mutate();
  }, [deal]);
  const job = useJob(deal.data, () => undefined);
  const working = deal.isPending || (job !== null && !isOver(job));
  const result = job?.result && 'worths' in job.result ? job.result : null;
  return (
    <section className="mb-5 border-b-2 border-moss pb-4" aria-label="Many forms">
      <h2>
        <span className="head">many forms</span>{' '}
        <span className="path">
          deal{' '}
          <Editable
            label="How many forms"
            value={String(forms)}
            disabled={working}
            refuse={(typed) => (/^[1-9]\d{0,5}$/.test(typed) && Number(typed) <= 100_000 ? null : 'from 1 to 100000')}
            onChange={(typed) => setForms(Number(typed))}
          />{' '}
          from seed{' '}
          <Editable
            label="The first seed"
            value={String(seed)}
            disabled={working}
            refuse={(typed) => (/^\d{1,12}$/.test(typed) ? null : 'a whole number')}
            onChange={(typed) => setSeed(Number(typed))}
          />{' '}
          ·{' '}
          <button className="act" disabled={working} onClick={() => deal.mutate()}>
            {result ? 'deal them again' : 'deal them'}
          </button>{' '}
          <button className="act" onClick={onClose}>
            put it away
          </button>
        </span>
      </h2>
      {deal.error && (
        <p className="notice mt-1" role="alert">
          {errorWords(deal.error)}
        </p>
      )}
      {job && (working || job.state === 'failed') && <JobProgress job={job} doing="Dealing" />}
      {job?.state === 'stopped' && !result && <p role="status">Stopped before it began.</p>}
      {result && (
        <>
          <p className="mt-1" role="status">
            {job?.state === 'stopped' ? 'Stopped; ' : ''}
            {grouped(result.forms)} forms dealt, from {grouped(result.pool)} questions.
            {result.unseen > 0 && ` ${grouped(result.unseen)} of them stand in no form.`}
          </p>
          <Simulated blueprint={blueprint} result={result} />
        </>
      )}
    </section>
  );
}
