import { useQuery } from '@tanstack/react-query';
import { api, type Schema, setWhose, take } from '../../api/client';

export type Account = Schema['Account'];

export function useSession() {
  return useQuery({
    queryKey: ['me'],
    queryFn: async () => {
      const me = await take(api.GET('/me'));
      setWhose(me.account?.id ?? null);
      return me;
    },
    staleTime: Infinity,
  });
}

export const mayEdit = (account: Account) => account.role === 'author' || account.role === 'administrator';
