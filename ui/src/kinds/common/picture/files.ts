import { keys } from '../../../api/keys';
import { useQuery } from '@tanstack/react-query';
import { useMemo } from 'react';
import { ApiError, api, ownHeaders, type Problem, dataOf } from '../../../api/client';
import { largest } from '../../facts.gen';
import type { Medium, ReadPage } from '../../../parts/text/media';

/** 8000000 as "8 MB". */
export const inMegabytes = (bytes: number) => `${Math.round(bytes / 1e5) / 10} MB`;

/** Gives a file to the bank. The server draws pictures anew and cleans drawings. */
export async function takeFile(bank: number, file: File): Promise<Medium> {
  const picture = file.type.startsWith('image/');
  const most = picture ? largest.picture : largest.soundOrFilm;
  if (file.size > most) {
    throw new Error(
      `“${file.name}” has ${inMegabytes(file.size)}; a ${picture ? 'picture' : 'sound or film'} may have up to ${inMegabytes(most)}. Make it smaller and choose it again.`,
    );
  }
  let response;
  try {
    response = await fetch(`/api/banks/${bank}/media/${encodeURIComponent(file.name)}`, {
      method: 'PUT',
      headers: { ...ownHeaders(), 'Content-Type': 'application/octet-stream' },
      body: file,
    });
  } catch {
    throw new Error('The server does not answer. Choose the file again when the connection is back.');
  }
  const answer = (await response.json()) as Medium & Problem;
  if (!response.ok) throw new ApiError(answer);
  return answer;
}

/** The bank's files by name; undefined until it is known which there are. */
export function useMedia(bank: number): Record<string, Medium> | undefined {
  const media = useQuery({
    queryKey: keys.media(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/media', { params: { path: { id: bank } } })),
  });
  const list = media.data?.media;
  return useMemo(
    () => (media.isPending ? undefined : Object.fromEntries((list ?? []).map((medium) => [medium.name, medium]))),
    [list, media.isPending],
  );
}

/** The bank's pages by name. */
export function usePages(bank: number): Record<string, ReadPage> {
  const pages = useQuery({
    queryKey: keys.pages(bank),
    queryFn: () => dataOf(api.GET('/banks/{id}/pages', { params: { path: { id: bank } } })),
  });
  const list = pages.data?.pages;
  return useMemo(() => Object.fromEntries((list ?? []).map(({ name, heading, reads }) => [name, { heading, reads }])), [list]);
}
