import { useQuery } from '@tanstack/react-query';
import { poolsQuery } from '../../../../api/queries';
import { kinds } from '../../../../kinds/facts.gen';
import { Editable, EditableChoice } from '../../../../parts/fields/Editable';
import { type Blueprint, type DrawStep, type Pool, type Step, tidy } from '../../document';
import { quota, why } from '../../typed';
import { ByHand } from './ByHand';

interface Props {
  step: DrawStep;
  blueprint: Blueprint;
  readOnly: boolean;
  onPut: (step: Step) => void;
}

const difficulties = ['easy', 'medium', 'hard'];

/** What a draw takes from: a condition, a pool that the bank keeps, questions by hand; and how they stand in the form. */
export function DrawDetails({ step, blueprint, readOnly, onPut }: Props) {
  const { draw } = step;
  const { pool } = draw;
  const pools = useQuery(poolsQuery(blueprint.bank.id)).data?.pools ?? [];
  const objectives = blueprint.board.rows.map(({ objective }) => objective.path).filter((path) => path !== '');
  const put = (part: object) => onPut({ ...step, draw: { ...draw, ...part } });
  const putPool = (part: Partial<Record<keyof Pool, unknown>>) =>
    put({
      pool: tidy(Object.fromEntries(Object.entries({ ...pool, ...part }).filter(([, value]) => !Array.isArray(value) || value.length > 0))),
    });
  const list = (label: string, words: readonly string[], chosen: readonly string[], onList: (next: string[]) => void, none: string) => (
    <>
      {chosen.map((one, i) => (
        <span key={one}>
          {i > 0 && ' or '}
          <EditableChoice
            label={label}
            value={one}
            options={[{ value: '', words: 'not this one' }, ...words.map((value) => ({ value, words: value }))]}
            disabled={readOnly}
            onChange={(next) => onList(chosen.flatMap((old) => (old === one ? (next === '' ? [] : [next]) : [old])))}
          />
        </span>
      ))}
      {chosen.length === 0 && readOnly && none}
      {!readOnly && (
        <>
          {' '}
          <EditableChoice
            label={`${label}, one more`}
            value=""
            options={[
              { value: '', words: chosen.length === 0 ? none : 'or …' },
              ...words.filter((word) => !chosen.includes(word)).map((value) => ({ value, words: value })),
            ]}
            onChange={(next) => next !== '' && onList([...chosen, next])}
          />
        </>
      )}
    </>
  );
  return (
    <>
      <p>
        Take{' '}
        <Editable
          label="How many are taken"
          value={String(draw.take)}
          width={3}
          disabled={readOnly}
          refuse={(typed) => (typed === '0' ? 'at least 1; or take the step out' : why(quota)(typed))}
          onChange={(typed) => put({ take: Number(typed) })}
        />{' '}
        of{' '}
        <EditableChoice
          label="Objective of the draw"
          value={pool.objective ?? ''}
          options={[
            { value: '', words: 'any objective' },
            ...objectives.map((value) => ({ value, words: value.replaceAll(' > ', ' › ') })),
          ]}
          disabled={readOnly}
          onChange={(objective) => putPool({ objective: objective === '' ? undefined : objective })}
        />
        {pool.objective !== undefined && pool.objective !== '' && (
          <>
            {' '}
            <EditableChoice
              label="What lies below"
              value={pool.below === false ? 'no' : 'yes'}
              options={[
                { value: 'yes', words: 'and what lies below it' },
                { value: 'no', words: 'but not what lies below it' },
              ]}
              disabled={readOnly}
              onChange={(below) => putPool({ below: below === 'no' ? false : undefined })}
            />
          </>
        )}
        ; {list('Kind of the draw', Object.keys(kinds), pool.kinds ?? [], (next) => putPool({ kinds: next }), 'any kind')};{' '}
        {list('Difficulty of the draw', difficulties, pool.difficulty ?? [], (next) => putPool({ difficulty: next }), 'any difficulty')};
        tagged{' '}
        <Editable
          label="Tags of the draw"
          plain
          width={14}
          value={pool.tags?.join(', ') ?? 'anything'}
          disabled={readOnly}
          onChange={(typed) =>
            putPool({
              tags:
                typed === 'anything'
                  ? []
                  : typed
                      .split(',')
                      .map((tag) => tag.trim())
                      .filter((tag) => tag !== ''),
            })
          }
        />
        ;{' '}
        <EditableChoice
          label="Pool of the draw"
          value={pool.in ?? ''}
          options={[
            { value: '', words: 'in any pool or none' },
            ...pools.map(({ name, cleared }) => ({ value: name, words: `in the pool “${name}” (${cleared})` })),
          ]}
          disabled={readOnly}
          onChange={(name) => putPool({ in: name === '' ? undefined : name })}
        />
        .
      </p>
      <ByHand {...{ blueprint, pool, readOnly }} onPool={putPool} />
      <p>
        In a form they stand{' '}
        <EditableChoice
          label="How they stand"
          value={draw.place ?? 'together'}
          options={[
            { value: 'together', words: 'together, where this step is' },
            { value: 'mixed', words: 'mixed with those of the section’s other mixed draws' },
          ]}
          disabled={readOnly}
          onChange={(place) => put({ place: place === 'mixed' ? 'mixed' : 'together' })}
        />
        .
      </p>
    </>
  );
}
