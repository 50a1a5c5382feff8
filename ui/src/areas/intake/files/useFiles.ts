import { useEffect, useState } from 'react';
import { stored } from '../../../parts/stored';
import { type WaitingFile, waitingOf } from './files';
import { notOpened, openFile } from '../useOpened';

const shelf = (bank: number) => `zetema:intake-files:${bank}`;

/** Several files on their way into a bank; leaving the page and coming back keeps them. */
export function useFiles(bank: number, onProblem: (problem: string) => void) {
  const [files, setFiles] = useState<WaitingFile[]>(() => (stored(shelf(bank)) as WaitingFile[] | null) ?? []);
  const [began, setBegan] = useState(files.length > 0);
  useEffect(() => {
    const kept = JSON.stringify(files.map((file) => ({ ...file, read: null })));
    if (files.length === 0) localStorage.removeItem(shelf(bank));
    else if (kept.length < 3_000_000) localStorage.setItem(shelf(bank), kept);
  }, [bank, files]);
  const open = (chosen: File[]) => {
    setBegan(true);
    for (const one of chosen) {
      openFile(bank, one, one.name).then(
        (told) =>
          setFiles((old) =>
            [
              ...old.filter(({ name }) => name !== one.name),
              waitingOf({ name: one.name, text: told.text, as: told.as, ...(told.beside && { beside: told.beside }) }, told),
            ].sort((a, b) => a.name.localeCompare(b.name)),
          ),
        (error: unknown) => onProblem(notOpened(one.name, error)),
      );
    }
  };
  return { files, setFiles, began, open };
}
