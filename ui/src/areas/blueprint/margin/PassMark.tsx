import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { points } from '../../../parts/text/figures';
import { type Blueprint, type Document, tidy, without } from '../document';
import { passMark, why } from '../typed';

interface Props {
  blueprint: Blueprint;
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

type Pass = NonNullable<Document['pass']>;

const shown = (mark: { percent?: string; points?: string } | undefined) =>
  mark?.percent ? `${mark.percent} %` : mark?.points ? `${mark.points} ${points(mark.points)}` : 'none';

/** What must be reached to pass: of the whole, and in objectives besides. */
export function PassMark({ blueprint, document, readOnly, onChange }: Props) {
  const { pass } = document;
  const put = (next: Pass | undefined) => onChange(tidy({ ...document, pass: next }) as Document);
  const set = (typed: string) => {
    const found = passMark(typed);
    if (!('pass' in found)) return;
    put(found.pass === null ? undefined : { ...found.pass, ...(pass?.objectives && { objectives: pass.objectives }) });
  };
  const objectives = pass?.objectives ?? [];
  const putObjectives = (next: NonNullable<Pass['objectives']>) => {
    const mark = without(pass ?? {}, 'objectives');
    put(next.length > 0 ? { ...mark, objectives: next } : mark);
  };
  const proved = blueprint.proof.pass;
  const paths = blueprint.board.rows.map(({ objective }) => objective.path).filter((path) => path !== '');
  return (
    <section>
      <h2 className="head">pass mark</h2>
      <p>
        <Editable
          label="Pass mark, in percent or points"
          value={shown(pass)}
          width={12}
          disabled={readOnly}
          refuse={why(passMark)}
          onChange={set}
        />
        {proved && pass && blueprint.proof.questions > 0 && (
          <>
            {pass.percent ? (
              <>
                ,{' '}
                <b className="fig">
                  {proved.points}
                  {proved.pointsMost !== proved.points && ` to ${proved.pointsMost}`}
                </b>{' '}
                {points(proved.pointsMost)}
                {proved.pointsMost !== proved.points && ', by what a candidate is asked'}
              </>
            ) : (
              proved.percent && (
                <>
                  , <b className="fig">{proved.percent}</b> %
                </>
              )
            )}
            .{' '}
            {proved.reachable ? (
              'It can be reached.'
            ) : (
              <span className="text-wrong">It cannot be reached with these questions: lower it, or draw more.</span>
            )}
          </>
        )}
      </p>
      {objectives.map((minimum, i) => (
        <p key={minimum.objective}>
          In {minimum.objective.replaceAll(' > ', ' › ')} at least{' '}
          <Editable
            label={`Minimum in ${minimum.objective}`}
            value={shown(minimum)}
            width={10}
            disabled={readOnly}
            refuse={why(passMark)}
            onChange={(typed) => {
              const found = passMark(typed);
              if ('pass' in found)
                putObjectives(
                  found.pass === null ? objectives.toSpliced(i, 1) : objectives.with(i, { objective: minimum.objective, ...found.pass }),
                );
            }}
          />
        </p>
      ))}
      {pass && !readOnly && (
        <p>
          <EditableChoice
            label="A minimum in an objective"
            value=""
            options={[
              { value: '', words: 'and in an objective at least …' },
              ...paths
                .filter((path) => !objectives.some(({ objective }) => objective === path))
                .map((value) => ({ value, words: value.replaceAll(' > ', ' › ') })),
            ]}
            onChange={(objective) => objective !== '' && putObjectives([...objectives, { objective, percent: '50' }])}
          />
        </p>
      )}
    </section>
  );
}
