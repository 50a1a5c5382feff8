import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, errorWords, type Schema } from '../../api/client';
import { keys } from '../../api/keys';
import { EditableChoice } from '../../parts/fields/Editable';
import { count } from '../../parts/text/figures';
import { type Standard, standards } from '../../parts/text/standards';

/** Questions and steps that are named; of more it says how many. */
const FEW = 3;

type As = 'archive' | 'text' | 'table' | Standard;

const sorts = [
  { value: 'archive', words: 'archive' },
  ...standards.map(({ value, words }) => ({ value, words: `package of ${words}` })),
  { value: 'text', words: 'text' },
  { value: 'table', words: 'table' },
] satisfies { value: As; words: string }[];

/** Files that can hold whatever a question says: nothing is to be looked up before they are saved. */
const whole: Partial<Record<As, string>> = {
  archive: 'The blueprint with all questions that it can deal, their pages, pictures and kept pools; it comes back as a bank of its own.',
  text: 'All questions that it can deal, as candidates get them. How they are dealt stays behind: the archive has it.',
};

const isStandard = (as: As): as is Standard => as === 'qti21' || as === 'qti30';

/** The assessment with all questions that it can deal, as a file; what such a file cannot say is told beforehand. */
export function SaveAssessment({ blueprint, version, archive }: { blueprint: number; version: number; archive: boolean }) {
  const [asked, setAsked] = useState(false);
  const [as, setAs] = useState<As>(archive ? 'archive' : 'qti30');
  const path = { id: blueprint };
  const missing = useQuery({
    queryKey: keys.missingOut(blueprint, 'assessment', `${as} ${version}`),
    queryFn: () =>
      dataOf(
        isStandard(as)
          ? api.GET('/blueprints/{id}/package/missing', { params: { path, query: { as } } })
          : api.GET('/blueprints/{id}/table/missing', { params: { path } }),
      ),
    enabled: asked,
    staleTime: 0,
    retry: false,
  });
  const href = `/api/blueprints/${blueprint}/${isStandard(as) ? `package?as=${as}` : as}`;
  return (
    <div className="mt-4">
      <button className="act" aria-expanded={asked} onClick={() => setAsked(!asked)}>
        Save as a file …
      </button>
      {asked && (
        <div role="status" className="mt-1">
          As <EditableChoice label="Sort of file" value={as} options={archive ? sorts : sorts.slice(1)} onChange={setAs} />:{' '}
          {missing.isPending && 'put together …'}
          {missing.error && <span className="text-wrong">{errorWords(missing.error)}</span>}
          {missing.data && (
            <>
              {whole[as] ?? `${count(missing.data.questions, as === 'table' ? 'row' : 'question')}, all that it can deal.`}{' '}
              <a className="act" href={href}>
                Save it so
              </a>
              {whole[as] === undefined && <StaysBehind as={as} missing={missing.data.missing} />}
            </>
          )}
        </div>
      )}
    </div>
  );
}

function StaysBehind({ as, missing }: { as: As; missing: Schema['AssessmentMissing']['missing'] }) {
  if (missing.length === 0 && as !== 'table') return null;
  return (
    <>
      <p className="mt-2">{as === 'table' ? 'A table' : 'The standard'} cannot say, so these stay behind:</p>
      <ul className="text-quiet">
        {as === 'table' && <li>how the questions are dealt</li>}
        {missing.map(({ what, items }) => (
          <li key={what} title={items.join('\n')}>
            {what}: {items.length > FEW ? `${items.slice(0, FEW).join(', ')} and ${items.length - FEW} more` : items.join(', ')}
          </li>
        ))}
      </ul>
    </>
  );
}
