import { Row } from '../../../parts/PageAndMargin';
import { count } from '../../../parts/text/figures';
import { asTheBank, type Wish } from './many/wanted';
import type { Choosing } from './many/useChosen';

interface Props {
  /** the setting about which they say something else */
  differs: string;
  total: number;
  chosen: Choosing;
  onWant: (wanted: Wish[]) => void;
  onLeave: () => void;
}

/** Questions that say another value than counts where nothing is said: all are chosen in one step, each with what it would get beside it. */
export function IntoLine({ differs, total, chosen, onWant, onLeave }: Props) {
  return (
    <Row
      className="pb-2"
      page={
        <p>
          {total === 0 ? (
            <>No question says another value of “{differs}” than the bank.</>
          ) : (
            <>
              {count(total, 'question')} {total === 1 ? 'says' : 'say'} another value of “{differs}” than the bank.{' '}
              <button
                className="act"
                onClick={() => {
                  chosen.all();
                  onWant([{ what: differs, value: asTheBank }]);
                }}
              >
                set both beside each other
              </button>
            </>
          )}
        </p>
      }
      margin={
        <p>
          <button className="act" onClick={onLeave}>
            no matter what they say
          </button>
        </p>
      }
    />
  );
}
