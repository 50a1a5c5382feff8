import type { MouseEvent, ReactNode } from 'react';
import { Row } from '../../../parts/PageAndMargin';

/** The text keeps the focus while one presses, so that nothing moves between press and release. */
export const stay = (e: MouseEvent) => e.preventDefault();

interface Props {
  rows: { lines: number; split: () => void; leave: () => void; add: (i: number) => void };
  isEmpty: boolean;
  /** what pasted lines become: "answers" */
  what: string;
  /** what the button says where there is no row yet */
  first: string;
  /** what the keys do */
  children: ReactNode;
  margin?: ReactNode;
}

/** Below rows: the first one, what the keys do, and the offer to make rows of pasted lines. */
export function RowFoot({ rows, isEmpty, what, first, children, margin }: Props) {
  const { lines } = rows;
  return (
    <Row
      line
      page={
        lines > 0 ? (
          <p className="pl-6" role="status">
            {lines} lines were pasted.{' '}
            <button className="act" onMouseDown={stay} onClick={rows.split}>
              Make {lines} {what} of them
            </button>{' '}
            <button className="act" onMouseDown={stay} onClick={rows.leave}>
              leave them together
            </button>
          </p>
        ) : (
          <div className="pl-6 text-quiet italic">
            {isEmpty ? (
              <button className="act not-italic" onClick={() => rows.add(-1)}>
                {first}
              </button>
            ) : (
              children
            )}
          </div>
        )
      }
      margin={margin}
    />
  );
}
