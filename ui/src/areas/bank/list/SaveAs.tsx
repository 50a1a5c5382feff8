import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { over } from '../../../api/undone';
import { EditableChoice } from '../../../parts/fields/Editable';
import { bankOut, manyQuestions } from '../../background/out';
import { SaveFile } from '../../background/SaveFile';
import { count } from '../../../parts/text/figures';
import { type Standard, standards } from '../../../parts/text/standards';

interface Props {
  bank: number;
  /** what the list is narrowed to, as in its address */
  written: URLSearchParams;
  sort: 'table' | 'package';
}

/** The list as a table for a spreadsheet, or as a package of the open standard; what that cannot say is told beforehand. */
export function SaveAs({ bank, written, sort }: Props) {
  const [asked, setAsked] = useState(false);
  const [version, setVersion] = useState<Standard>('qti30');
  const address = new URLSearchParams(sort === 'package' ? [...written, ['as', version]] : [...written]);
  const missing = useQuery({
    queryKey: keys.missingOut(bank, sort, address.toString()),
    queryFn: async () => {
      const body = { as: sort === 'table' ? ('table' as const) : version, filter: Object.fromEntries(written) };
      const job = await over(await dataOf(api.POST('/banks/{id}/missing', { params: { path: { id: bank } }, body })));
      return job.result as Schema['OutMissing'];
    },
    enabled: asked,
    staleTime: 0,
  });
  const told = missing.data;
  return (
    <>
      <button className="act" aria-expanded={asked} onClick={() => setAsked(!asked)}>
        Save as {sort}
      </button>
      {asked && (
        <span role="status" className="block basis-full">
          {sort === 'package' && (
            <>
              As <EditableChoice label="Version of the standard" value={version} options={standards} onChange={setVersion} />:{' '}
            </>
          )}
          {missing.isFetching && !told && 'The questions are being looked through …'}
          {missing.error && errorWords(missing.error)}
          {told && (
            <>
              {count(told.rows, sort === 'table' ? 'row' : 'question')}.{' '}
              {told.without.length > 0 && (
                <span title={told.without.join('\n')}>
                  {count(told.without.length, 'question')} {staysOut(sort, told.without.length)}.{' '}
                </span>
              )}
              {told.missing.length > 0 && (
                <>
                  A {sort} does not say: {told.missing.map(({ what, questions }) => `${what} (of ${questions})`).join(', ')}.{' '}
                </>
              )}
              <SaveFile
                href={`/api/banks/${bank}/${sort}?${address.toString()}`}
                isLong={told.rows > manyQuestions}
                begin={() => bankOut(bank, sort === 'table' ? 'table' : version, written)}
              >
                Save it so
              </SaveFile>
            </>
          )}
        </span>
      )}
    </>
  );
}

const staysOut = (sort: Props['sort'], count: number) =>
  sort === 'table'
    ? `can stand in no row and ${count === 1 ? 'stays' : 'stay'} out`
    : `${count === 1 ? 'is not whole yet and stays' : 'are not whole yet and stay'} out`;
