import { Gauge } from '../../../parts/Gauge';
import { GrowingText } from '../../../parts/fields/GrowingText';
import { Row } from '../../../parts/PageAndMargin';
import type { Kind } from '../../../kinds/content';
import { kinds, outcomes } from '../../../kinds/facts.gen';
import { useTyped } from './useTyped';
import type { Edited, Settings } from './useSettings';

interface Props {
  kind: Kind | '';
  value: Edited;
  house: Settings['house'];
  setBy: string;
  beyond: string;
  readOnly: boolean;
  onChange: (part: Partial<Edited>) => void;
}

/** What candidates read after each outcome where the question says nothing: for every question, or for one kind, which is nearer. */
export function WordingRows({ kind, value, house, setBy, beyond, readOnly, onChange }: Props) {
  const { wording, kindWording } = value;
  const here = kind === '' ? wording : (kindWording[kind] ?? {});
  const shown = outcomes.filter((outcome) => kind === '' || kinds[kind].isJudged || ['unanswered', 'recorded'].includes(outcome));
  const put = (said: Record<string, string>) =>
    onChange(kind === '' ? { wording: said } : { kindWording: { ...kindWording, [kind]: said } });
  return (
    <>
      <Row
        className="pt-3"
        page={<h2 className="head">what is said after a response</h2>}
        margin={<p className="text-quiet">Empty says what is shown in grey; a dash, –, says nothing.</p>}
      />
      {shown.map((outcome) => {
        const general = kind === '' ? undefined : wording[outcome];
        const further = general ?? (kind === '' ? undefined : house.kindWording[kind]?.[outcome]) ?? house.wording[outcome] ?? '';
        const source = general ? `set by ${setBy} for every question` : beyond;
        return (
          <Row
            key={`${kind} ${outcome}`}
            page={
              <div className="flex items-baseline gap-2">
                <span className="whitespace-nowrap">
                  <Gauge outcome={outcome} />
                  {outcome}:
                </span>
                <Said
                  outcome={outcome}
                  text={here[outcome] ?? ''}
                  further={`“${further}” (${source})`}
                  readOnly={readOnly}
                  onSaid={(text) => put({ ...here, [outcome]: text })}
                />
              </div>
            }
            margin={
              <p className={here[outcome] ? '' : 'text-quiet'}>
                {here[outcome] ? `set by ${setBy}${kind === '' ? '' : ` for every ${kind}`}` : source}
              </p>
            }
          />
        );
      })}
    </>
  );
}

function Said(props: { outcome: string; text: string; further: string; readOnly: boolean; onSaid: (text: string) => void }) {
  const { outcome, text, further, readOnly, onSaid } = props;
  const [typed, setTyped] = useTyped(text, onSaid);
  return (
    <GrowingText
      className="say"
      label={`Said when ${outcome}`}
      placeholder={further}
      readOnly={readOnly}
      value={typed}
      onChange={setTyped}
    />
  );
}
