import { Editable, EditableChoice } from '../../../../parts/fields/Editable';
import { type Blueprint, type DrawStep, type QuestionStep, type Step, tidy } from '../../document';
import { usePageOptions } from '../../usePageOptions';

type Asking = QuestionStep | DrawStep;
type Refresher = NonNullable<Asking['refresher']>;

interface Props {
  step: Asking;
  blueprint: Blueprint;
  readOnly: boolean;
  onPut: (step: Step) => void;
}

/** Where a failed question leads: to pages to read again and back to it, so many rounds. */
export function RefresherLine({ step, blueprint, readOnly, onPut }: Props) {
  const options = usePageOptions(blueprint.bank.id, 'as the question says');
  const { refresher, ...rest } = step;
  const put = (next: Refresher | null | undefined) => onPut(next === undefined ? rest : { ...rest, refresher: next });
  const first = refresher?.pages?.[0] ?? (refresher === null ? 'none' : '');
  const pages = refresher?.pages ?? [];
  return (
    <p>
      Once it has failed:{' '}
      <EditableChoice
        label="The refresher here"
        value={first}
        options={[...options, { value: 'none', words: 'no refresher' }]}
        disabled={readOnly}
        onChange={(page) => put(page === '' ? undefined : page === 'none' ? null : { ...refresher, pages: [page, ...pages.slice(1)] })}
      />
      {pages.length > 0 && refresher && (
        <>
          {pages.slice(1).map((page, i) => (
            <span key={page}>
              , then{' '}
              <EditableChoice
                label={`Page ${i + 2} of the refresher`}
                value={page}
                options={[{ value: '', words: 'not this one' }, ...options.slice(1)]}
                disabled={readOnly}
                onChange={(next) =>
                  put({ ...refresher, pages: pages.flatMap((old, j) => (j === i + 1 ? (next === '' ? [] : [next]) : [old])) })
                }
              />
            </span>
          ))}
          {!readOnly && options.length > pages.length + 1 && (
            <>
              {' '}
              <EditableChoice
                label="Another page of the refresher"
                value=""
                options={[{ value: '', words: 'and also …' }, ...options.slice(1).filter(({ value }) => !pages.includes(value))]}
                onChange={(page) => page !== '' && put({ ...refresher, pages: [...pages, page] })}
              />
            </>
          )}
          , and back, at most{' '}
          <Editable
            label="Rounds of the refresher"
            value={String(refresher.rounds ?? 1)}
            width={3}
            disabled={readOnly}
            refuse={(typed) => (/^[1-9]\d?$/.test(typed) ? null : 'from 1 to 99')}
            onChange={(typed) => put(tidy({ ...refresher, rounds: typed === '1' ? undefined : Number(typed) }) as Refresher)}
          />{' '}
          {(refresher.rounds ?? 1) === 1 ? 'round' : 'rounds'}; what counts is the{' '}
          <EditableChoice
            label="Which round counts"
            value={refresher.stands ?? 'last'}
            options={[
              { value: 'last', words: 'last' },
              { value: 'best', words: 'best' },
              { value: 'first', words: 'first' },
            ]}
            disabled={readOnly}
            onChange={(stands) => put(tidy({ ...refresher, stands: stands === 'last' ? undefined : stands }) as Refresher)}
          />
        </>
      )}
      .
    </p>
  );
}
