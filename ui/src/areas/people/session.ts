import { useQuery } from '@tanstack/react-query';
import { api, type Schema, take } from '../../api/client';

export type Account = Schema['Account'];

export function useSession() {
  return useQuery({ queryKey: ['me'], queryFn: () => take(api.GET('/me')), staleTime: Infinity });
}

export const mayEdit = (account: Account) => account.role === 'author' || account.role === 'administrator';
