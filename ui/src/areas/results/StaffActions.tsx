import { useChanged } from '../../api/changed';
import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, errorWords } from '../../api/client';
import type { SittingRow } from './results';

type Act = 'give time' | 'close' | 'allow another' | 'delete';
type Clock = 'whole' | 'section' | 'question';

const words: Record<Act, string> = {
  'give time': 'Give the time',
  close: 'Close this sitting',
  'allow another': 'Allow another sitting',
  delete: 'Delete this sitting',
};

const means: Record<Act, string> = {
  'give time': '',
  close: 'What is saved is handed in as it stands.',
  'allow another': 'One more than the rules give everybody.',
  delete: 'All that was given and marked in it goes for good. The log keeps that it was deleted, and no name.',
};

/** What staff can do to a sitting. Nothing is done without a reason, which stands in the log. */
export function StaffActions({ edition, row, onDone }: { edition: number; row: SittingRow; onDone: () => void }) {
  const changed = useChanged();
  const acts: Act[] = row.ended === null ? ['give time', 'close'] : ['allow another', 'delete'];
  const [act, setAct] = useState<Act>(acts[0] ?? 'close');
  const [reason, setReason] = useState('');
  const [password, setPassword] = useState('');
  const [minutes, setMinutes] = useState('5');
  const [clock, setClock] = useState<Clock>('whole');
  const seconds = Math.round(Number(minutes.replace(',', '.')) * 60);
  const does = useMutation({
    mutationFn: () =>
      dataOf(
        api.POST('/sittings/{id}/staff', {
          params: { path: { id: row.id } },
          body: { do: act, reason, ...(act === 'give time' && { seconds, clock }), ...(act === 'delete' && { password }) },
        }),
      ),
    onSuccess: async () => {
      await changed('sittings', edition);
      onDone();
    },
  });
  const wrong = act === 'give time' && !(seconds >= 1 && seconds <= 86_400);
  return (
    <form
      className="space-y-2 py-2 text-left"
      onSubmit={(e) => {
        e.preventDefault();
        does.mutate();
      }}
    >
      <div className="flex flex-wrap gap-x-5 gap-y-1" role="radiogroup" aria-label={`For ${row.candidate}`}>
        {acts.map((one) => (
          <label key={one}>
            <input type="radio" name={`act ${row.id}`} checked={act === one} onChange={() => setAct(one)} /> {one}
          </label>
        ))}
      </div>
      {act === 'give time' && (
        <p>
          <input
            className="field w-16"
            aria-label="Minutes"
            inputMode="decimal"
            value={minutes}
            onChange={(e) => setMinutes(e.target.value)}
          />{' '}
          minutes more for{' '}
          <select className="field" aria-label="Which clock" value={clock} onChange={(e) => setClock(e.target.value as Clock)}>
            <option value="whole">the whole</option>
            <option value="section">the section they are in</option>
            <option value="question">the question they are at</option>
          </select>
        </p>
      )}
      {means[act] !== '' && <p className="text-quiet">{means[act]}</p>}
      <p>
        <label>
          because <input className="field w-80 max-w-full" maxLength={500} value={reason} onChange={(e) => setReason(e.target.value)} />
        </label>{' '}
        {act === 'delete' && (
          <label>
            your password{' '}
            <input
              className="field w-40"
              type="password"
              autoComplete="current-password"
              value={password}
              onChange={(e) => setPassword(e.target.value)}
            />
          </label>
        )}{' '}
        <button className="btn" disabled={reason.trim() === '' || wrong || does.isPending || (act === 'delete' && password === '')}>
          {words[act]}
        </button>
      </p>
      {wrong && <p className="text-wrong">Time is given in minutes, such as 5 or 0.5.</p>}
      {does.error && (
        <p className="notice" role="alert">
          {errorWords(does.error)}
        </p>
      )}
    </form>
  );
}
