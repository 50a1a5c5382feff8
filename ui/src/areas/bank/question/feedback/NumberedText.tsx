import type { ReactNode } from 'react';
import { GrowingText } from '../../../../parts/fields/GrowingText';
import { Row } from '../../../../parts/PageAndMargin';

interface Props {
  /** "Hint", "Note" */
  what: string;
  n: number;
  placeholder: string;
  readOnly: boolean;
  text: string;
  onText: (text: string) => void;
  margin: ReactNode;
}

/** A text of a question that is told by its number. */
export function NumberedText({ what, n, placeholder, readOnly, text, onText, margin }: Props) {
  return (
    <Row
      page={
        <div className="flex items-baseline gap-2">
          <span className="head whitespace-nowrap">
            {what.toLowerCase()} {n}
          </span>
          <GrowingText
            className="say"
            label={`${what} ${n}`}
            placeholder={placeholder}
            readOnly={readOnly}
            value={text}
            onChange={onText}
          />
        </div>
      }
      margin={margin}
    />
  );
}
