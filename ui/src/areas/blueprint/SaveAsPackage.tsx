import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, errorWords } from '../../api/client';
import { keys } from '../../api/keys';
import { EditableChoice } from '../../parts/fields/Editable';
import { count } from '../../parts/text/figures';
import { type Standard, standards } from '../../parts/text/standards';

/** Questions and steps that are named; of more it says how many. */
const FEW = 3;

/** The assessment with all questions that it can deal as a package of the open standard; what that cannot say is told beforehand. */
export function SaveAsPackage({ blueprint, version }: { blueprint: number; version: number }) {
  const [asked, setAsked] = useState(false);
  const [as, setAs] = useState<Standard>('qti30');
  const missing = useQuery({
    queryKey: keys.missingOut(blueprint, 'assessment', `${as} ${version}`),
    queryFn: () => dataOf(api.GET('/blueprints/{id}/package/missing', { params: { path: { id: blueprint }, query: { as } } })),
    enabled: asked,
    staleTime: 0,
    retry: false,
  });
  const told = missing.data;
  return (
    <div className="mt-4">
      <button className="act" aria-expanded={asked} onClick={() => setAsked(!asked)}>
        Save as package
      </button>
      {asked && (
        <div role="status" className="mt-1">
          As <EditableChoice label="Version of the standard" value={as} options={standards} onChange={setAs} />:{' '}
          {missing.isPending && 'put together …'}
          {missing.error && <span className="text-wrong">{errorWords(missing.error)}</span>}
          {told && (
            <>
              {count(told.questions, 'question')}, all that it can deal.{' '}
              <a className="act" href={`/api/blueprints/${blueprint}/package?as=${as}`}>
                Save it so
              </a>
              {told.missing.length > 0 && (
                <>
                  <p className="mt-2">The standard cannot say, so these stay behind:</p>
                  <ul className="text-quiet">
                    {told.missing.map(({ what, items }) => (
                      <li key={what} title={items.join('\n')}>
                        {what}: {items.length > FEW ? `${items.slice(0, FEW).join(', ')} and ${items.length - FEW} more` : items.join(', ')}
                      </li>
                    ))}
                  </ul>
                </>
              )}
            </>
          )}
        </div>
      )}
    </div>
  );
}
