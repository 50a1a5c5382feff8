import { useState } from 'react';
import { errorWords, type Schema } from '../../api/client';
import { sendFile } from '../../api/sendFile';
import { inMegabytes } from '../../kinds/common/picture/files';
import { largest } from '../../kinds/facts.gen';
import type { SourceFormat } from './brought';

export interface Opened {
  name: string;
  text: string;
  as: SourceFormat;
  /** what a package has beside its questions */
  beside?: Beside;
}

/** What came along with the text of a package, and what did not. */
export type Beside = Omit<Schema['OpenedPackage'], 'text' | 'blueprints'> & {
  /** missing where it was kept before blueprints came along */
  blueprints?: Schema['BroughtBlueprint'][];
};

/** A file whose encoding is not sure: how it would read is shown, and agreed to. */
export interface Unsure {
  file: Blob;
  name: string;
  encoding: string;
  sample: string;
  opened: Opened;
}

/** Whether a file is one of the open standard, by its name: an item, or a package. */
export const isPackage = (name: string) => /\.(zip|xml)$/i.test(name);

/** Opens a file as text for a bank, whatever it is. */
export async function openFile(bank: number, file: Blob, name: string, encoding = ''): Promise<Schema['Opened'] & { beside?: Beside }> {
  if (!isPackage(name)) return openAsText(file, name, encoding);
  const { text, ...beside } = await sendFile<Schema['OpenedPackage']>(`/banks/${bank}/intake/package`, file, { name });
  return { text, beside, as: 'text', encoding: 'utf-8', isSure: true, sample: '' };
}

/** Why a file could not be opened: “paper.pdf is a PDF”. */
export function notOpened(name: string, error: unknown): string {
  const words = errorWords(error);
  return words.startsWith('file: ') ? `${name} ${words.slice(6)}.` : `${name}: ${words}`;
}

/** Opens a file, or what the clipboard holds as a document, as text. */
export const openAsText = (file: Blob, name: string, encoding = '') => sendFile<Schema['Opened']>('/intake/open', file, { name, encoding });

/** Files on their way into the text: opened one by one, asked about where their encoding is not sure. */
export function useOpened(bank: number, onOpened: (opened: Opened) => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const [unsure, setUnsure] = useState<Unsure | null>(null);
  const open = (file: Blob, name: string, encoding = '') => {
    if (!isPackage(name) && file.size > 3 * largest.text) {
      setProblem(
        `${name} has ${inMegabytes(file.size)}; up to ${inMegabytes(largest.text)} of text can be read at once. Bring it in as several files; nothing here was changed.`,
      );
      return;
    }
    openFile(bank, file, name, encoding).then(
      (told) => {
        setProblem(null);
        const opened = { name, text: told.text, as: told.as, ...(told.beside && { beside: told.beside }) };
        if (told.isSure) {
          setUnsure(null);
          onOpened(opened);
        } else setUnsure({ file, name, encoding: told.encoding, sample: told.sample, opened });
      },
      (error: unknown) => setProblem(`${notOpened(name, error)} Nothing here was changed.`),
    );
  };
  return { open, problem, unsure, say: setProblem, leave: () => setUnsure(null) };
}
