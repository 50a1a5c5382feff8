import { Link } from 'react-router';
import type { Schema } from '../../api/client';
import { count } from '../../parts/text/figures';

/** Blueprints that came in with a batch, and those that could not. */
export function BlueprintsTaken({ bank, blueprints = [] }: { bank: number; blueprints: Schema['Batch']['blueprints'] }) {
  return blueprints.map(({ id, title, missing, problem }) => (
    <p key={title}>
      {id === null ? (
        <span className="text-wrong">
          “{title}” did not become a blueprint: {problem}.
        </span>
      ) : (
        <>
          The blueprint{' '}
          <Link className="act" to={`/banks/${bank}/blueprints/${id}`}>
            {title}
          </Link>
          {missing > 0 && `, without ${count(missing, 'question')} that did not come in`}
        </>
      )}
    </p>
  ));
}
