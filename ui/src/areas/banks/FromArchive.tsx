import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { errorWords, type Schema } from '../../api/client';
import { sendFile } from '../../api/sendFile';
import { FileButton } from '../../parts/fields/FileButton';
import { isOver, JobProgress, useJob } from '../background/JobProgress';

/** A bank that comes back from an archive, as a bank of its own; where its name is taken, another one is asked for. */
export function FromArchive({ onRestored }: { onRestored: (bank: number) => void }) {
  const [name, setName] = useState('');
  const bring = useMutation({
    mutationFn: (file: File) => sendFile<Schema['Restored']>('/banks/from-archive', file, { name: name.trim() }),
    onSuccess: ({ made, job: begun }) => {
      if (begun.state === 'done') onRestored(made);
    },
  });
  const job = useJob(bring.data?.job, (ended) => {
    if (ended.state === 'done' && bring.data) onRestored(bring.data.made);
  });
  return (
    <section aria-label="A bank from an archive" className="pt-4">
      <label className="block">
        Or one from an archive, called
        <input
          className="field mt-1 w-full"
          maxLength={160}
          placeholder="as it was"
          value={name}
          onChange={(e) => setName(e.target.value)}
        />
      </label>
      <p className="mt-2">
        <FileButton
          words="Choose its archive"
          label="Archive of a bank"
          accept=".zip,application/zip"
          onFile={(file) => bring.mutate(file)}
        />
      </p>
      {bring.isPending && <p role="status">It is read …</p>}
      {job && !isOver(job) && <JobProgress job={job} doing="Filling the bank" />}
      {(bring.error ?? job?.failure) && (
        <p className="notice mt-2" role="alert">
          {bring.error ? errorWords(bring.error) : job?.failure} No bank was made.
        </p>
      )}
    </section>
  );
}
