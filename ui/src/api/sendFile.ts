import { ApiError, ownHeaders, type Problem } from './client';

/** Sends a file as it is; what it is called and what else is said of it stands in the address. */
export async function sendFile<T>(path: string, file: Blob, query: Record<string, string>): Promise<T> {
  const response = await fetch(`/api${path}?${new URLSearchParams(query).toString()}`, {
    method: 'POST',
    headers: { ...ownHeaders(), 'Content-Type': 'application/octet-stream' },
    body: file,
  });
  const told = (await response.json()) as unknown;
  if (!response.ok) throw new ApiError(told as Problem);
  return told as T;
}
