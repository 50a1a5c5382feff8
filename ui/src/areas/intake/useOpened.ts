import { useState } from 'react';
import { ApiError, errorWords, ownHeaders, type Problem, type Schema } from '../../api/client';
import { inMegabytes } from '../../kinds/common/picture/files';
import { largest } from '../../kinds/facts.gen';
import type { SourceFormat } from './brought';

export interface Opened {
  name: string;
  text: string;
  as: SourceFormat;
}

/** A file whose encoding is not sure: how it would read is shown, and agreed to. */
export interface Unsure {
  file: Blob;
  name: string;
  encoding: string;
  sample: string;
  opened: Opened;
}

/** Opens a file, or what the clipboard holds as a document, as text. */
export async function openAsText(file: Blob, name: string, encoding = ''): Promise<Schema['Opened']> {
  const response = await fetch(`/api/intake/open?${new URLSearchParams({ name, encoding }).toString()}`, {
    method: 'POST',
    headers: { ...ownHeaders(), 'Content-Type': 'application/octet-stream' },
    body: file,
  });
  const told = (await response.json()) as unknown;
  if (!response.ok) throw new ApiError(told as Problem);
  return told as Schema['Opened'];
}

/** Files on their way into the text: opened one by one, asked about where their encoding is not sure. */
export function useOpened(onOpened: (opened: Opened) => void) {
  const [problem, setProblem] = useState<string | null>(null);
  const [unsure, setUnsure] = useState<Unsure | null>(null);
  const open = (file: Blob, name: string, encoding = '') => {
    if (file.size > 3 * largest.text) {
      setProblem(
        `${name} has ${inMegabytes(file.size)}; up to ${inMegabytes(largest.text)} of text can be read at once. Bring it in as several files; nothing here was changed.`,
      );
      return;
    }
    openAsText(file, name, encoding).then(
      (told) => {
        setProblem(null);
        const opened = { name, text: told.text, as: told.as };
        if (told.isSure) {
          setUnsure(null);
          onOpened(opened);
        } else setUnsure({ file, name, encoding: told.encoding, sample: told.sample, opened });
      },
      (error: unknown) => setProblem(`${name}: ${errorWords(error)} Nothing here was changed.`),
    );
  };
  return { open, problem, unsure, say: setProblem, leave: () => setUnsure(null) };
}
