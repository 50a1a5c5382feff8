import { Gauge } from '../../../parts/Gauge';
import { EditableChoice } from '../../../parts/fields/Editable';
import { GrowingText } from '../../../parts/fields/GrowingText';
import { Row } from '../../../parts/PageAndMargin';
import { outcomes } from '../../../kinds/facts.gen';
import { useTyped } from './useTyped';
import type { Edited, Settings } from './useSettings';

const clearings = [
  { value: 'its author too', words: 'its author too' },
  { value: 'only another person', words: 'only another person' },
] as const;

interface Props {
  value: Edited;
  house: Settings['house'];
  setBy: string;
  beyond: string;
  readOnly: boolean;
  onChange: (part: Partial<Edited>) => void;
}

/** What candidates read after each outcome where the question says nothing, and who may clear. */
export function WordingRows({ value, house, setBy, beyond, readOnly, onChange }: Props) {
  const { wording, clearing } = value;
  return (
    <>
      <Row
        className="pt-3"
        page={<h2 className="head">what is said after a response</h2>}
        margin={<p className="text-quiet">Empty says the facts alone; a dash, –, says nothing.</p>}
      />
      {outcomes.map((outcome) => (
        <Row
          key={outcome}
          page={
            <div className="flex items-baseline gap-2">
              <span className="whitespace-nowrap">
                <Gauge outcome={outcome} />
                {outcome}:
              </span>
              <Said
                outcome={outcome}
                text={wording[outcome] ?? ''}
                house={`“${house.wording[outcome] ?? ''}” (${beyond})`}
                readOnly={readOnly}
                onSaid={(text) => onChange({ wording: { ...wording, [outcome]: text } })}
              />
            </div>
          }
          margin={<p className={wording[outcome] ? '' : 'text-quiet'}>{wording[outcome] ? `set by ${setBy}` : beyond}</p>}
        />
      ))}
      <Row className="pt-3" page={<h2 className="head">clearing</h2>} />
      <Row
        line
        className="pb-6"
        page={
          <p>
            A question is cleared by{' '}
            <EditableChoice
              label="A question is cleared by"
              value={clearing ?? house.clearing ?? 'its author too'}
              options={clearings}
              disabled={readOnly}
              onChange={(by) => onChange({ clearing: by })}
            />
            .
          </p>
        }
        margin={
          clearing ? (
            <p>
              set by {setBy}{' '}
              {!readOnly && (
                <button className="act" onClick={() => onChange({ clearing: null })}>
                  set back to {house.clearing}
                </button>
              )}
            </p>
          ) : (
            <p className="text-quiet">{beyond}</p>
          )
        }
      />
    </>
  );
}

function Said(props: { outcome: string; text: string; house: string; readOnly: boolean; onSaid: (text: string) => void }) {
  const { outcome, text, house, readOnly, onSaid } = props;
  const [typed, setTyped] = useTyped(text, onSaid);
  return (
    <GrowingText className="say" label={`Said when ${outcome}`} placeholder={house} readOnly={readOnly} value={typed} onChange={setTyped} />
  );
}
