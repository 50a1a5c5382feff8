import { useParams, useSearchParams } from 'react-router';
import { EditableChoice } from '../../../parts/fields/Editable';
import { PageAndMargin, Row } from '../../../parts/PageAndMargin';
import { type Account, mayEdit } from '../../people/session';
import { Changes } from './Changes';
import { Saves } from './Saves';
import { type Narrowed, whats } from './narrowed';

const sinces = [
  { value: '', words: 'at any time' },
  { value: '1', words: 'since yesterday' },
  { value: '7', words: 'in the last 7 days' },
  { value: '30', words: 'in the last 30 days' },
];

/** What was done to the bank and its questions: by whom, when; each step can be undone while nothing stands in its way. */
export default function HistoryPage({ account }: { account: Account }) {
  const bank = Number(useParams().bank);
  const [params, setParams] = useSearchParams();
  const get = (name: string) => params.get(name) ?? '';
  const set = (name: string, value: string) =>
    setParams(
      (old) => {
        const next = new URLSearchParams(old);
        if (value === '') next.delete(name);
        else next.set(name, value);
        return next;
      },
      { replace: true },
    );
  const what = whats.find(({ value }) => value === get('what'))?.value ?? '';
  const narrowed: Narrowed = { what, who: get('who'), days: get('days') };
  const filter = (people: { id: number; name: string }[]) => (
    <Row
      className="pt-5 pb-3"
      page={
        <>
          <h1 className="title">What was done to the bank</h1>
          <p className="path">
            <EditableChoice label="What" value={what} options={whats} onChange={(v) => set('what', v)} /> ·{' '}
            <EditableChoice
              label="By whom"
              value={narrowed.who}
              options={[{ value: '', words: 'by anybody' }, ...people.map(({ id, name }) => ({ value: String(id), words: `by ${name}` }))]}
              onChange={(v) => set('who', v)}
            />{' '}
            · <EditableChoice label="Since when" value={narrowed.days} options={sinces} onChange={(v) => set('days', v)} />
          </p>
        </>
      }
    />
  );
  return (
    <PageAndMargin label="History of the bank">
      {what === 'saves' ? (
        <Saves bank={bank} narrowed={narrowed} filter={filter} />
      ) : (
        <Changes bank={bank} narrowed={narrowed} filter={filter} may={mayEdit(account)} />
      )}
    </PageAndMargin>
  );
}
