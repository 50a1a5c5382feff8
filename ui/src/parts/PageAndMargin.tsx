import type { ReactNode } from 'react';

/** The page and its margin: rows of two cells, so that what stands in the margin stays level with its cause. */
export function PageAndMargin({ children, label }: { children: ReactNode; label: string }) {
  return (
    <main className="desk">
      <div className="sheet" aria-label={label}>
        {children}
      </div>
    </main>
  );
}

export function Row({
  page,
  margin,
  line = false,
  className = '',
  sticky = false,
}: {
  page: ReactNode;
  margin?: ReactNode;
  line?: boolean;
  className?: string;
  /** On a phone, where the margin stands below its page, this one stays in sight while the rest is scrolled. */
  sticky?: boolean;
}) {
  return (
    <div className={`row${line ? ' line' : ''}${sticky ? ' stays' : ''}`}>
      <div className={`p ${className}`}>{page}</div>
      <div className={`m ${className}`}>{margin}</div>
    </div>
  );
}
