import type { MouseEvent, ReactNode } from 'react';
import { Row } from '../../../parts/PageAndMargin';

/** The text keeps the focus while one presses, so that nothing moves between press and release. */
export const stay = (e: MouseEvent) => e.preventDefault();

/** Below rows: what the keys do, and the offer to make rows of pasted lines. */
export function RowFoot(props: {
  lines: number;
  what: string;
  onSplit: () => void;
  onLeave: () => void;
  children?: ReactNode;
  margin?: ReactNode;
}) {
  const { lines, what, onSplit, onLeave, children, margin } = props;
  return (
    <Row
      line
      page={
        lines > 0 ? (
          <p className="pl-6" role="status">
            {lines} lines were pasted.{' '}
            <button className="act" onMouseDown={stay} onClick={onSplit}>
              Make {lines} {what} of them
            </button>{' '}
            <button className="act" onMouseDown={stay} onClick={onLeave}>
              leave them together
            </button>
          </p>
        ) : (
          <div className="pl-6 text-quiet italic">{children}</div>
        )
      }
      margin={margin}
    />
  );
}
