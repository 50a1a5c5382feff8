import { useQuery } from '@tanstack/react-query';
import { pagesQuery } from '../../api/queries';

/** The names of a bank's pages, as options of a choice. */
export function usePageOptions(bank: number, none: string) {
  const pages = useQuery(pagesQuery(bank)).data?.pages ?? [];
  return [{ value: '', words: none }, ...pages.map(({ name }) => ({ value: name, words: name }))];
}
