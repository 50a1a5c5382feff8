import { useMutation } from '@tanstack/react-query';
import type { ReactNode } from 'react';
import { errorWords, type Schema } from '../../api/client';
import { megabytes } from '../../parts/text/figures';
import { isOver, JobProgress, useJob } from './JobProgress';

interface Props {
  /** where few are fetched at once */
  href: string;
  /** whether it takes longer than a few seconds */
  isLong: boolean;
  /** has it written in the background */
  begin: () => Promise<Schema['Job']>;
  label?: string;
  className?: string;
  children: ReactNode;
}

/** A way out: what is small is fetched at once, what is large is written with progress and waits to be fetched, for a day. */
export function SaveFile({ href, isLong, begin, label, className = 'act', children }: Props) {
  const write = useMutation({ mutationFn: begin });
  const job = useJob(write.data, (ended) => {
    if (ended.state === 'done') window.location.assign(`/api/jobs/${ended.id}/file`);
  });
  if (!isLong)
    return (
      <a className={className} href={href} aria-label={label}>
        {children}
      </a>
    );
  const file = job?.result && 'file' in job.result ? job.result : null;
  return (
    <>
      <button
        className={className}
        aria-label={label}
        disabled={write.isPending || (job !== null && !isOver(job))}
        onClick={() => write.mutate()}
      >
        {children}
      </button>
      {write.error && (
        <span className="notice" role="alert">
          {errorWords(write.error)}
        </span>
      )}
      {write.data && job && (
        <span className="block basis-full">
          {file ? (
            <span role="status">
              Written whole:{' '}
              <a className="act" href={`/api/jobs/${job.id}/file`}>
                {file.file}, {megabytes(file.bytes)}
              </a>
              . It waits for a day.
            </span>
          ) : job.state === 'stopped' ? (
            <span role="status">Stopped; nothing was written.</span>
          ) : (
            <JobProgress job={job} doing="Writing" />
          )}
        </span>
      )}
    </>
  );
}
