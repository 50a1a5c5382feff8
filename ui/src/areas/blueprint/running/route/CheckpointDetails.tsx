import { EditableChoice } from '../../../../parts/fields/Editable';
import { figure } from '../../../../parts/text/figures';
import type { Blueprint, CheckpointStep, Document, Route, Step } from '../../document';
import { ConditionLine } from './ConditionLine';
import { WayChoice } from './WayChoice';

interface Props {
  step: CheckpointStep;
  from: number;
  blueprint: Blueprint;
  document: Document;
  readOnly: boolean;
  onPut: (step: Step) => void;
}

/** The routes of a checkpoint, the first whose condition holds is taken; and what happens otherwise. */
export function CheckpointDetails({ step, from, blueprint, document, readOnly, onPut }: Props) {
  const { routes = [], otherwise = 'next', announced = false } = step.checkpoint;
  const put = (part: Partial<CheckpointStep['checkpoint']>) => {
    const { otherwise: next = 'next', announced: told = false, ...rest } = { ...step.checkpoint, ...part };
    onPut({ ...step, checkpoint: { ...rest, ...(next !== 'next' && { otherwise: next }), ...(told && { announced: true }) } });
  };
  const putRoute = (i: number, route: Route | null) =>
    put({ routes: routes.flatMap((old, j) => (j === i ? (route === null ? [] : [route]) : [old])) });
  const before = blueprint.proof.before[step.id];
  return (
    <>
      {before && (
        <p className="text-quiet">
          Until here {before.least === before.most ? figure(before.most) : `${figure(before.least)} to ${figure(before.most)}`} points can
          have been asked.
        </p>
      )}
      <ol className="space-y-1">
        {routes.map((route, i) => (
          <li key={i}>
            {i === 0 ? 'With ' : 'else with '}
            <ConditionLine
              when={route.when}
              {...{ blueprint, document, readOnly, from }}
              onChange={(when) => putRoute(i, { ...route, when })}
            />{' '}
            go to{' '}
            <WayChoice
              label={`Where route ${i + 1} leads`}
              document={document}
              from={from}
              value={route.to}
              readOnly={readOnly}
              onChange={(to) => putRoute(i, { ...route, to })}
            />
            {!readOnly && (
              <>
                {' '}
                {i > 0 && (
                  <button className="act text-sm" onClick={() => put({ routes: routes.toSpliced(i, 1).toSpliced(i - 1, 0, route) })}>
                    look at it earlier
                  </button>
                )}{' '}
                <button className="act text-sm" aria-label={`Take route ${i + 1} out`} onClick={() => putRoute(i, null)}>
                  take out
                </button>
              </>
            )}
          </li>
        ))}
      </ol>
      <p>
        {routes.length === 0 ? 'Nothing is asked here yet; all go to ' : 'Otherwise to '}
        <WayChoice
          label="Where it leads otherwise"
          document={document}
          from={from}
          value={otherwise}
          readOnly={readOnly}
          onChange={(to) => put({ otherwise: to })}
        />
        . Candidates{' '}
        <EditableChoice
          label="Whether it is announced"
          value={announced ? 'yes' : 'no'}
          options={[
            { value: 'no', words: 'do not see it' },
            { value: 'yes', words: 'are told which way they go' },
          ]}
          disabled={readOnly}
          onChange={(value) => put({ announced: value === 'yes' })}
        />
        .{' '}
        {!readOnly && (
          <button
            className="act"
            onClick={() => put({ routes: [...routes, { when: { points: 'all', is: '>=', value: '1' }, to: 'end' }] })}
          >
            {routes.length === 0 ? 'Put in a condition' : 'Another condition'}
          </button>
        )}
      </p>
    </>
  );
}
