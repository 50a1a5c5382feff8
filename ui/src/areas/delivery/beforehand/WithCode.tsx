import { useChanged } from '../../../api/changed';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { Row } from '../../../parts/PageAndMargin';

const stands: Record<Schema['Admitted']['stands'], string> = {
  'in the list': 'is in your list.',
  'not yet': 'cannot be sat yet; it stands in your list once it can.',
  closed: 'has closed.',
};

/** An access code, typed or come with a link: the assessment that has it is in the list from then on. */
export function WithCode() {
  const changed = useChanged();
  const navigate = useNavigate();
  const linked = useParams()['*']?.match(/^join\/([^/]+)$/)?.[1] ?? null;
  const [typed, setTyped] = useState('');
  const used = useRef<string | null>(null);
  const enter = useMutation({
    mutationFn: (code: string) => dataOf(api.POST('/access-codes', { body: { code } })),
    onSuccess: () => {
      setTyped('');
      void navigate('/', { replace: true });
      return changed('own assessments');
    },
  });
  const { mutate } = enter;
  useEffect(() => {
    if (linked === null || used.current === linked) return;
    used.current = linked;
    mutate(linked);
  }, [linked, mutate]);
  return (
    <Row
      className="pt-3"
      page={
        <form
          className="flex flex-wrap items-baseline gap-3 py-1"
          onSubmit={(e) => {
            e.preventDefault();
            enter.mutate(typed);
          }}
        >
          <label>
            With an access code:{' '}
            <input className="field" required maxLength={40} value={typed} onChange={(e) => setTyped(e.target.value)} />
          </label>
          <button className="btn" disabled={enter.isPending}>
            Find it
          </button>
          {enter.data && (
            <span role="status">
              “{enter.data.title}” {stands[enter.data.stands]}
            </span>
          )}
          {enter.error && (
            <span className="notice" role="alert">
              {errorWords(enter.error)}
            </span>
          )}
        </form>
      }
    />
  );
}
