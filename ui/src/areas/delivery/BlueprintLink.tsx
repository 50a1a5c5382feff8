import { useQuery } from '@tanstack/react-query';
import { Link } from 'react-router';
import { api, dataOf } from '../../api/client';
import { keys } from '../../api/keys';

export function BlueprintLink({ id }: { id: number }) {
  const blueprint = useQuery({
    queryKey: keys.blueprint(id),
    queryFn: () => dataOf(api.GET('/blueprints/{id}', { params: { path: { id } } })),
  });
  return blueprint.data ? (
    <Link className="act" to={`/banks/${blueprint.data.bank.id}/blueprints/${id}`}>
      Back to the blueprint
    </Link>
  ) : null;
}
