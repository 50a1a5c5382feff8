import { useState } from 'react';
import type { Schema } from '../../../api/client';
import { Gauge } from '../../../parts/Gauge';
import { GrowingText } from '../../../parts/fields/GrowingText';
import { Row } from '../../../parts/PageAndMargin';
import type { Kind } from '../../../kinds/content';
import { kinds, outcomes } from '../../../kinds/facts.gen';
import { allKinds } from '../../../kinds/facts';
import { stored } from '../../../parts/stored';
import { Asked } from './Asked';
import type { Edited, Settings } from './useSettings';

interface Props {
  kind: Kind | '';
  value: Edited;
  house: Settings['house'];
  setBy: string;
  beyond: string;
  readOnly: boolean;
  /** what is set here is called this where what was typed is kept */
  thing: string;
  follows: (outcome: string, reached: Kind[]) => string;
  onChange: (part: Partial<Edited>) => void;
}

/** What candidates read after each outcome where the question says nothing: for every question, or for one kind, which is nearer. */
export function WordingRows({ kind, value, house, setBy, beyond, readOnly, thing, follows, onChange }: Props) {
  const { wording, kindWording } = value;
  const here = kind === '' ? wording : (kindWording[kind] ?? {});
  const shown = outcomes.filter((outcome) => kind === '' || kinds[kind].isJudged || ['unanswered', 'recorded'].includes(outcome));
  const reached = (outcome: string) => (kind === '' ? allKinds.filter((k) => kindWording[k]?.[outcome] === undefined) : [kind]);
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
              <Said
                outcome={outcome}
                shelf={`zetema:${thing}:said:${kind}:${outcome}`}
                text={here[outcome] ?? ''}
                further={`“${further}” (${source})`}
                follows={follows(outcome, reached(outcome))}
                readOnly={readOnly}
                onSaid={(text) => put({ ...here, [outcome]: text })}
              />
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

interface SaidProps {
  outcome: Schema['Outcome'];
  /** where what was typed and not yet agreed to is kept */
  shelf: string;
  text: string;
  further: string;
  follows: string;
  readOnly: boolean;
  onSaid: (text: string) => void;
}

/** What is said after one outcome. What would reach cleared questions waits, kept, until it is agreed to; from then on it is saved as one types. */
function Said({ outcome, shelf, text, further, follows, readOnly, onSaid }: SaidProps) {
  const [agreed, setAgreed] = useState(false);
  const [waiting, setWaiting] = useState(() => {
    const kept = readOnly ? null : stored(shelf);
    return typeof kept === 'string' ? kept : null;
  });
  const wait = (next: string | null) => {
    setWaiting(next);
    if (next === null) localStorage.removeItem(shelf);
    else localStorage.setItem(shelf, JSON.stringify(next));
  };
  return (
    <>
      <div className="flex items-baseline gap-2">
        <span className="whitespace-nowrap">
          <Gauge outcome={outcome} />
          {outcome}:
        </span>
        <GrowingText
          className="say"
          label={`Said when ${outcome}`}
          placeholder={further}
          readOnly={readOnly}
          value={waiting ?? text}
          onChange={(next) => {
            if (agreed || follows === '') onSaid(next);
            else wait(next === text ? null : next);
          }}
        />
      </div>
      {waiting !== null && (
        <Asked
          what={follows}
          onChange={() => {
            setAgreed(true);
            onSaid(waiting);
            wait(null);
          }}
          onLeave={() => wait(null)}
        />
      )}
    </>
  );
}
