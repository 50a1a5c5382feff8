import type { ReactNode, Ref } from 'react';
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
  ref?: Ref<HTMLTextAreaElement> | undefined;
}

/** A text of a question that is told by its number. */
export function NumberedText({ what, n, placeholder, readOnly, text, onText, margin, ref }: Props) {
  return (
    <Row
      page={
        <div className="flex items-baseline gap-2">
          <span className="head whitespace-nowrap">
            {what.toLowerCase()} {n}
          </span>
          <GrowingText
            ref={ref}
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
