import type { ReactNode } from 'react';

/** The page and its margin: rows of two cells, so that what stands in the margin stays level with its cause. */
export function Sheet({ children, label }: { children: ReactNode; label: string }) {
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
}: {
  page: ReactNode;
  margin?: ReactNode;
  line?: boolean;
  className?: string;
}) {
  return (
    <div className={line ? 'row line' : 'row'}>
      <div className={`p ${className}`}>{page}</div>
      <div className={`m ${className}`}>{margin}</div>
    </div>
  );
}
