import { useQuery } from '@tanstack/react-query';
import { api, dataOf } from '../../../api/client';
import { keys } from '../../../api/keys';
import { count } from '../../../parts/text/figures';
import { Waiting } from '../../../parts/Waiting';

/** Two questions beside each other: what they ask, their answers with the key, and how many editions hold them. */
export function Beside({ bank, one, other }: { bank: number; one: number; other: number }) {
  const both = useQuery({
    queryKey: keys.beside(bank, one, other),
    queryFn: () => dataOf(api.GET('/banks/{id}/alike/beside', { params: { path: { id: bank }, query: { one, other } } })),
  });
  if (!both.data) return <Waiting error={both.error} retry={() => void both.refetch()} />;
  const inOrder = [one, other].flatMap((id) => both.data.questions.filter((q) => q.id === id));
  return (
    <div className="grid gap-6 pb-3 sm:grid-cols-2">
      {inOrder.map(({ id, stem, lines, editions }) => (
        <div key={id}>
          <p className="font-reading">{stem}</p>
          <ul className="pt-1">
            {lines.map((line, i) => (
              <li key={i} className={line.isKey ? 'font-semibold' : 'text-soft'}>
                {line.text} {line.isKey && <span className="path font-normal">key</span>}
              </li>
            ))}
          </ul>
          <p className="pt-1 text-sm text-quiet">{editions === 0 ? 'no edition holds it' : `held by ${count(editions, 'edition')}`}</p>
        </div>
      ))}
    </div>
  );
}
