import { useQuery } from '@tanstack/react-query';
import type { Schema } from '../../api/client';
import { meQuery } from '../../api/queries';

export type Account = Schema['Account'];

export const useSession = () => useQuery(meQuery());

export const mayEdit = (account: Account) => account.role === 'author' || account.role === 'administrator';
