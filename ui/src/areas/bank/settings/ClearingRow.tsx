import { EditableChoice } from '../../../parts/fields/Editable';
import { Row } from '../../../parts/PageAndMargin';
import type { Edited, Settings } from './useSettings';

const clearings = [
  { value: 'its author too', words: 'its author too' },
  { value: 'only another person', words: 'only another person' },
] as const;

interface Props {
  own: Edited['clearing'];
  house: Settings['house']['clearing'];
  setBy: string;
  beyond: string;
  readOnly: boolean;
  onChange: (clearing: Edited['clearing']) => void;
}

/** Who may clear a question. */
export function ClearingRow({ own, house, setBy, beyond, readOnly, onChange }: Props) {
  return (
    <>
      <Row className="pt-3" page={<h2 className="head">clearing</h2>} />
      <Row
        line
        className="pb-6"
        page={
          <p>
            A question is cleared by{' '}
            <EditableChoice
              label="A question is cleared by"
              value={own ?? house ?? 'its author too'}
              options={clearings}
              disabled={readOnly}
              onChange={onChange}
            />
            .
          </p>
        }
        margin={
          own ? (
            <p>
              set by {setBy}{' '}
              {!readOnly && (
                <button className="act" onClick={() => onChange(null)}>
                  set back to {house}
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
