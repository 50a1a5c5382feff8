import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { api, dataOf, errorWords } from '../../../../api/client';
import { points } from '../../../../parts/text/figures';
import type { Blueprint, Document } from '../../document';

/** What a rehearsal that begins in the middle takes to have been reached before. */
interface Assumed {
  earned: string;
  max: string;
  tallies: Record<string, number>;
}

/** Begins a rehearsal at a step, as if so much had been reached before. */
export function useRehearsalFrom(blueprint: number, step: string) {
  const navigate = useNavigate();
  return useMutation({
    mutationFn: ({ earned, max, tallies }: Assumed) =>
      dataOf(
        api.POST('/blueprints/{id}/rehearsals', {
          params: { path: { id: blueprint } },
          body: { from: step, assumed: { earned, max, tallies } },
        }),
      ),
    onSuccess: (sitting) => void navigate(`/sittings/${sitting.id}`),
  });
}

const isWhole = (typed: string) => /^-?\d{1,4}$/.test(typed);

/** A rehearsal that begins at this step: with which points and tallies, is said here. */
export function RehearseFrom({ blueprint, document, step }: { blueprint: Blueprint; document: Document; step: string }) {
  const [open, setOpen] = useState(false);
  const [earned, setEarned] = useState('0');
  const [max, setMax] = useState(blueprint.proof.before[step]?.most ?? '0');
  const tallies = (document.tallies ?? []).map(({ name }) => name);
  const [counts, setCounts] = useState<Record<string, string>>({});
  const begin = useRehearsalFrom(blueprint.id, step);
  const isNumber = (typed: string) => /^-?\d{1,6}(\.\d{1,6})?$/.test(typed.replace(',', '.'));
  const fine = isNumber(earned) && isNumber(max) && Object.values(counts).every(isWhole);
  const plain = (typed: string) => typed.replace(',', '.');
  if (!open)
    return (
      <p>
        <button className="act" onClick={() => setOpen(true)}>
          rehearse from here …
        </button>
      </p>
    );
  return (
    <p className="flex flex-wrap items-baseline gap-x-2 gap-y-1">
      from here, with <input className="field w-16" aria-label="Points so far" value={earned} onChange={(e) => setEarned(e.target.value)} />{' '}
      of <input className="field w-16" aria-label="Points asked so far" value={max} onChange={(e) => setMax(e.target.value)} />{' '}
      {points(max)}
      {tallies.map((tally) => (
        <label key={tally}>
          , {tally}{' '}
          <input className="field w-14" value={counts[tally] ?? '0'} onChange={(e) => setCounts({ ...counts, [tally]: e.target.value })} />
        </label>
      ))}
      <button
        className="btn"
        disabled={!fine || begin.isPending}
        onClick={() =>
          begin.mutate({
            earned: plain(earned),
            max: plain(max),
            tallies: Object.fromEntries(tallies.map((tally) => [tally, Number(counts[tally] ?? 0)])),
          })
        }
      >
        Rehearse
      </button>
      {!fine && <span className="text-wrong">Points are numbers, tallies whole ones.</span>}
      {begin.error && <span className="notice">{errorWords(begin.error)}</span>}
    </p>
  );
}
