import { useChanged } from '../../../api/changed';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useEffectEvent, useState } from 'react';
import { errorWords } from '../../../api/client';
import { count } from '../../../parts/text/figures';
import { BatchLine } from '../../bank/board/LastIntake';
import type { Given } from '../brought';
import { BlueprintsTaken } from '../BlueprintsTaken';
import { FileRow } from './FileRow';
import { useKnownObjectives } from '../../bank/question/ObjectiveField';
import { asksWhere, givenAlike, needsObjective, objectiveIn, readFile, readyOf, takeInAll, type WaitingFile } from './files';

interface Props {
  bank: number;
  files: WaitingFile[];
  onChange: (change: (files: WaitingFile[]) => WaitingFile[]) => void;
  /** into the text, to be put right */
  onOpen: (file: WaitingFile) => void;
}

/** Several files that come in together as one batch, each into its place. */
export function Files({ bank, files, onChange, onOpen }: Props) {
  const changed = useChanged();
  const [done, setDone] = useState(0);
  const [problem, setProblem] = useState<string | null>(null);
  const put = (name: string, part: Partial<WaitingFile>) =>
    onChange((old) => old.map((file) => (file.name === name ? { ...file, ...part } : file)));
  const unread = files.find(({ read }) => read === null);
  const read = useEffectEvent((file: WaitingFile) => {
    readFile(bank, file).then(
      (told) => put(file.name, { read: told }),
      (error: unknown) => {
        setProblem(`${file.name}: ${errorWords(error)}`);
        onChange((old) => old.filter(({ name }) => name !== file.name));
      },
    );
  });
  useEffect(() => {
    if (unread) read(unread);
  }, [unread]);
  // The objective whose words are in a file's name is shown before anything is taken in; none is made unasked.
  const known = useKnownObjectives(bank, files.length > 0);
  const isNameless = files.some(({ named }) => !named);
  const name = useEffectEvent((paths: string[]) =>
    onChange((old) =>
      old.map((file) =>
        file.named
          ? file
          : { ...file, named: true, given: { ...file.given, objective: file.given.objective || objectiveIn(file.name, paths) } },
      ),
    ),
  );
  useEffect(() => {
    if (known && isNameless) name(known);
  }, [known, isNameless]);
  const asking = files.filter(asksWhere).length;
  const ready = files.reduce((sum, file) => sum + readyOf(file).length, 0);
  const takeIn = useMutation({
    mutationFn: () => {
      setDone(0);
      return takeInAll(bank, files, setDone);
    },
    onSuccess: () => {
      // What was not whole stays to be put right.
      onChange((old) => old.filter((file) => (file.read?.questions.length ?? 0) > readyOf(file).length));
      void changed('everything');
    },
  });
  const needing = files.filter(needsObjective);
  const first = needing.length > 1 ? needing[0] : undefined;
  return (
    <section aria-label="Files" className="mt-2">
      {files.map((file) => (
        <FileRow
          key={file.name}
          bank={bank}
          file={file}
          readOnly={takeIn.isPending}
          onPut={(part) => put(file.name, part)}
          onOpen={() => onOpen(file)}
          onLeave={() => onChange((old) => old.filter(({ name }) => name !== file.name))}
          {...(files.length > 1 && { onAlike: (given: Given) => onChange((old) => old.map((other) => givenAlike(given, other))) })}
        />
      ))}
      {files.length > 0 && (
        <p className="mt-2 flex items-baseline gap-4">
          <button
            className="btn main whitespace-nowrap"
            disabled={ready === 0 || unread !== undefined || asking > 0 || takeIn.isPending}
            onClick={() => takeIn.mutate()}
          >
            Take in {count(ready, 'question')} of {count(files.length, 'file')}
          </button>
          {asking > 0 && <span role="status">Say first where the questions of {count(asking, 'file')} go.</span>}
          {first && (first.given.objective !== '' || first.nowhere) && (
            <button
              className="act"
              disabled={takeIn.isPending}
              onClick={() =>
                onChange((old) =>
                  old.map((file) => ({
                    ...file,
                    nowhere: first.nowhere ?? false,
                    given: { ...file.given, objective: first.given.objective },
                  })),
                )
              }
            >
              all into {first.given.objective === '' ? 'no objective' : `“${first.given.objective}”`}
            </button>
          )}
          {takeIn.isPending && (
            <progress aria-label="Taking in files" max={files.length} value={done}>
              {done} of {files.length}
            </progress>
          )}
        </p>
      )}
      {(problem ?? takeIn.error) !== null && (
        <p className="notice mt-2" role="alert">
          {problem ?? errorWords(takeIn.error)}
        </p>
      )}
      {takeIn.data?.batch && (
        <div role="status" className="mt-2">
          <BatchLine bank={bank} batch={takeIn.data.batch} lead="Taken in: " />
          <BlueprintsTaken bank={bank} blueprints={takeIn.data.blueprints} />
        </div>
      )}
    </section>
  );
}
