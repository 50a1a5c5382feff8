import { useQuery } from '@tanstack/react-query';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { count } from '../../../parts/text/figures';
import { Rich } from '../../../parts/text/Rich';
import { Waiting } from '../../../parts/Waiting';
import { useBankChanges } from '../history/useBankChanges';

interface Props {
  bank: number;
  one: number;
  other: number;
  may: boolean;
}

/** Two questions beside each other: what they ask, their answers with the key, how many editions hold them; and merging them. */
export function Beside({ bank, one, other, may }: Props) {
  const both = useQuery({
    queryKey: keys.beside(bank, one, other),
    queryFn: () => dataOf(api.GET('/banks/{id}/alike/beside', { params: { path: { id: bank }, query: { one, other } } })),
  });
  const merging = useBankChanges(bank, 'alike', (body: { keep: number; other: number }) =>
    dataOf(api.POST('/banks/{id}/alike/merge', { params: { path: { id: bank } }, body })),
  );
  if (!both.data) return <Waiting error={both.error} retry={() => void both.refetch()} />;
  const inOrder = [one, other].flatMap((id) => both.data.questions.filter((q) => q.id === id));
  const error = merging.change.error ?? merging.undo.error;
  return (
    <>
      <div className="grid gap-6 pb-3 sm:grid-cols-2">
        {inOrder.map((question) => (
          <div key={question.id}>
            <OneOfTwo question={question} />
            {may && !merging.last && (
              <button
                className="act text-sm"
                disabled={merging.change.isPending}
                onClick={() => merging.change.mutate({ keep: question.id, other: question.id === one ? other : one })}
              >
                keep this one, merge the other into it
              </button>
            )}
          </div>
        ))}
      </div>
      {may && !merging.last && (
        <p className="pb-3 text-sm text-quiet">
          Merged, pools made by hand and assessments take the one that is kept; the other is retired. Editions stay as they are.
        </p>
      )}
      {merging.last && (
        <p role="status" className="pb-3">
          {merging.last.words}{' '}
          <button className="act" disabled={merging.undo.isPending} onClick={merging.undoLast}>
            undo
          </button>
        </p>
      )}
      {error && (
        <p className="notice mb-3" role="alert">
          {errorWords(error)}
        </p>
      )}
    </>
  );
}

function OneOfTwo({ question: { stem, lines, editions } }: { question: Schema['Beside']['questions'][number] }) {
  return (
    <>
      <Rich text={stem} className="font-reading" />
      <ul className="pt-1">
        {lines.map((line, i) => (
          <li key={i} className={line.isKey ? 'font-semibold' : 'text-soft'}>
            <Rich text={line.text} inline still /> {line.isKey && <span className="path font-normal">key</span>}
          </li>
        ))}
      </ul>
      <p className="pt-1 text-sm text-quiet">{editions === 0 ? 'no edition holds it' : `held by ${count(editions, 'edition')}`}</p>
    </>
  );
}
