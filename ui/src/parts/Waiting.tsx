import { Link } from 'react-router';
import { errorWords } from '../api/client';
import { Row, PageAndMargin } from './PageAndMargin';

/** While something is fetched, or when it could not be. */
export function Waiting({ error, retry, home = false }: { error?: unknown; retry?: () => void; home?: boolean }) {
  return (
    <PageAndMargin label={error ? 'Problem' : 'Loading'}>
      <Row
        className="pt-4"
        page={
          error ? (
            <div role="alert">
              <p className="notice">{errorWords(error)}</p>
              {home && (
                <Link className="act mt-2 mr-4 inline-block" to="/">
                  To the first page
                </Link>
              )}
              {retry && (
                <button className="act mt-2" onClick={retry}>
                  Try again
                </button>
              )}
            </div>
          ) : (
            <p className="text-quiet">Fetching …</p>
          )
        }
      />
    </PageAndMargin>
  );
}
