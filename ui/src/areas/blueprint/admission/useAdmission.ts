import { useChanged } from '../../../api/changed';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { api, dataOf, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';

export type Admission = Schema['Admission'];
type Change = Partial<Omit<Schema['AdmissionChange'], 'version'>>;

/** Who may sit an assessment, each change saved at once over what is shown. */
export function useAdmission(blueprint: number) {
  const queries = useQueryClient();
  const changed = useChanged();
  const path = { params: { path: { id: blueprint } } };
  const admission = useQuery({ queryKey: keys.admission(blueprint), queryFn: () => dataOf(api.GET('/blueprints/{id}/admission', path)) });
  const groups = useQuery({ queryKey: keys.groups(), queryFn: () => dataOf(api.GET('/groups')) });
  const save = useMutation({
    mutationFn: (body: Schema['AdmissionChange']) => dataOf(api.PUT('/blueprints/{id}/admission', { ...path, body })),
    onSuccess: (told) => queries.setQueryData(keys.admission(blueprint), told),
    onError: () => changed('admission', blueprint),
  });
  const now = admission.data;
  return {
    admission: now,
    groups: groups.data?.groups ?? [],
    candidates: groups.data?.candidates ?? [],
    error: admission.error ?? groups.error ?? save.error,
    put: (change: Change) => {
      if (!now || save.isPending) return;
      const { version, everybody, opens, closes, groups: admitted, people } = now;
      save.mutate({ version, everybody, opens, closes, groups: admitted, people, ...change });
    },
  };
}

/** How many may begin: everybody, or those who are named, by themselves or in a group, each once. */
export function howMany({ everybody, groups: admitted, people }: Admission, groups: Schema['Groups']['groups'], all: number): number {
  if (everybody) return all;
  const members = groups.filter(({ id }) => admitted.includes(id)).flatMap((group) => group.members);
  return new Set([...people.map(({ account }) => account), ...members]).size;
}
