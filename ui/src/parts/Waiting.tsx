import { inWords } from '../api/client';
import { Row, Sheet } from './Sheet';

/** While something is fetched, or when it could not be. */
export function Waiting({ error, retry }: { error?: unknown; retry?: () => void }) {
  return (
    <Sheet label={error ? 'Problem' : 'Loading'}>
      <Row
        className="pt-4"
        page={
          error ? (
            <div role="alert">
              <p className="notice">{inWords(error)}</p>
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
    </Sheet>
  );
}
