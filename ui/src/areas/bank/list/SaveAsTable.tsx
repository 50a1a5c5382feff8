import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, dataOf, errorWords } from '../../../api/client';
import { keys } from '../../../api/keys';
import { count } from '../../../parts/text/figures';

/** The list as a table for a spreadsheet; what a table cannot say is told beforehand. */
export function SaveAsTable({ bank, written }: { bank: number; written: URLSearchParams }) {
  const [asked, setAsked] = useState(false);
  const query = Object.fromEntries(written);
  const missing = useQuery({
    queryKey: keys.tableMissing(bank, written.toString()),
    queryFn: () => dataOf(api.GET('/banks/{id}/table/missing', { params: { path: { id: bank }, query } })),
    enabled: asked,
    staleTime: 0,
  });
  const told = missing.data;
  return (
    <>
      <button className="act" aria-expanded={asked} onClick={() => setAsked(!asked)}>
        Save as table
      </button>
      {asked && (
        <span role="status" className="block basis-full">
          {missing.error && errorWords(missing.error)}
          {told && (
            <>
              {count(told.rows, 'row')}.{' '}
              {told.without.length > 0 && (
                <span title={told.without.join('\n')}>{count(told.without.length, 'question')} can stand in no row and stay out. </span>
              )}
              {told.missing.length > 0 && (
                <>A table does not say: {told.missing.map(({ what, questions }) => `${what} (of ${questions})`).join(', ')}. </>
              )}
              <a className="act" href={`/api/banks/${bank}/table?${written.toString()}`}>
                Save it so
              </a>
            </>
          )}
        </span>
      )}
    </>
  );
}
