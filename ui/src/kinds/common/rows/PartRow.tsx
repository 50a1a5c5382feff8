import type { ReactNode } from 'react';
import { MovingRow } from '../../../parts/Moving';
import { Row } from '../../../parts/PageAndMargin';
import { Editable } from '../../../parts/fields/Editable';
import { GrowingText } from '../../../parts/fields/GrowingText';
import type { Margin, Part } from '../../content';
import { Earned } from './Earned';
import { LineNotes, CommentHere } from '../lines/LineNotes';
import { Handle } from './Handle';
import { plain } from './rows';
import type { Rows } from './useRows';

/** A row with one part: an item, a pair, a label. */
export function PartRow<T>(props: {
  rows: Rows<T>;
  row: T;
  i: number;
  what: string;
  line: string;
  text: string;
  placeholder: string;
  readOnly: boolean;
  onText: (text: string) => void;
  beside?: ReactNode;
  margin?: ReactNode;
}) {
  const { rows, row, i, what, line, text, placeholder, readOnly, onText, beside, margin } = props;
  return (
    <Row
      line
      page={
        <MovingRow i={i} disabled={readOnly}>
          <Handle
            i={i}
            what={what}
            readOnly={readOnly}
            onCopy={() => rows.add(i, row)}
            onUp={() => rows.move(i, i - 1)}
            onDown={() => rows.move(i, i + 1)}
            onRemove={() => rows.remove(i)}
          />
          <GrowingText
            ref={(element) => rows.register(i, element)}
            className="answer"
            label={`${what} ${i + 1}`}
            placeholder={placeholder}
            readOnly={readOnly}
            value={text}
            onChange={onText}
            onKeyDown={(e) => rows.onKey(i, e)}
            onLines={(lines) => rows.onLines(i, lines)}
          />
          {beside}
        </MovingRow>
      }
      margin={
        <>
          <p>
            {margin}{' '}
            <span className="lineact">
              <CommentHere where={line} />
            </span>
          </p>
          <LineNotes where={line} />
        </>
      }
    />
  );
}

/** What a part earns, and under "weighed" what is typed for it. */
export function PartMarks(props: {
  part: Part;
  line: string;
  weighed: boolean;
  spare: boolean;
  margin: Margin | null;
  readOnly: boolean;
  onChange: (part: Partial<Part>) => void;
}) {
  const { part, line, weighed, spare, margin, readOnly, onChange } = props;
  if (weighed) {
    return (
      <>
        {!spare && (
          <>
            right earns{' '}
            <Editable
              label={`What ${line} earns`}
              value={part.earns ?? '0'}
              disabled={readOnly}
              onChange={(v) => onChange({ earns: plain(v) })}
            />
            {' · '}
          </>
        )}
        {spare ? 'used' : 'wrong'} loses{' '}
        <Editable
          label={`What ${line} loses`}
          value={part.loses ?? '0'}
          disabled={readOnly}
          onChange={(v) => onChange({ loses: plain(v) })}
        />
      </>
    );
  }
  if (spare) return <>belongs nowhere</>;
  return (
    <>
      alone <Earned margin={margin} line={line} />
    </>
  );
}
