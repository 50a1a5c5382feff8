import { useEffect, useEffectEvent, useState } from 'react';
import { figure } from '../../../parts/text/figures';
import { EditableChoice, Editable } from '../../../parts/fields/Editable';
import { Term } from '../../../parts/fields/Explained';
import type { Question } from './useDraft';
import type { Content, Margin } from '../../../kinds/content';
import { meanings, settings as facts } from '../../../kinds/facts.gen';
import { kindFacts, kindUi } from '../../../kinds/registry';
import { markedBy, type Remembered, reset, withoutKeys } from './marking';
import { WhereForward } from '../../../parts/WhereForward';
import { isWeighed } from '../../../kinds/common/rows/rows';

/** What is shown where a setting has no value at all, and takes the value away when typed. */
const none: Record<string, string> = {
  time: 'no time limit',
  unit: 'none',
  figures: 'any figures',
  layout: 'column',
  key: 'a key',
  floor: 'none',
};
const house = (word: string) => facts[word]?.house ?? undefined;
const words = (values: string[]) => values.map((value) => ({ value, words: value, means: meanings[value] }));

interface Props {
  content: Content;
  margin: Margin | null;
  bankSettings: Record<string, string>;
  /** What keeps the question from being whole: a setting that was refused is told here. */
  problem: Question['problem'];
  readOnly: boolean;
  edit: (make: (content: Content) => Content) => void;
}

/** The marks of a question as sentences whose values can be typed over; below, where they come from and the way back. */
export function SettingsSentence({ content, margin, bankSettings, problem, readOnly, edit }: Props) {
  const { rules, defaults, isJudged } = kindFacts(content);
  const { Settings } = kindUi(content);
  const own = content.settings ?? {};
  const get = (word: string) => own[word] ?? bankSettings[word] ?? defaults[word] ?? house(word) ?? '';
  const set = (word: string, typed: string) => {
    // As typed: the server reads numbers, times and lists the way people write them.
    const value = typed
      .replace('−', '-')
      .trim()
      .replace(/^no time limit$|^any figures$/, '');
    const back = value === '' || (value === none[word] && word !== 'floor') || (word === 'key' && value !== 'none');
    setTried({ word, before: own[word] ?? null });
    setRefused(null);
    if (word === 'marking') edit((c) => markedAs(c, value));
    else edit((c) => reset(c, word, back ? null : value));
  };
  // What was typed last, and why it was not taken: the value that counted stands again, and the reason beside it.
  const [tried, setTried] = useState<{ word: string; before: string | null } | null>(null);
  const [refused, setRefused] = useState<{ word: string; why: string } | null>(null);
  const goBack = useEffectEvent(() => {
    if (tried === null || problem?.field !== tried.word || !(tried.word in own)) return;
    edit((c) => reset(c, tried.word, tried.before));
    setRefused({ word: tried.word, why: problem.message });
    setTried(null);
  });
  useEffect(() => goBack(), [problem]);
  const [before, setBefore] = useState<Remembered | null>(null);
  const markedAs = (c: Content, marking: string): Content => {
    const { content: next, remembered } = markedBy(c, marking, before, margin?.worth);
    setBefore(remembered);
    return next;
  };
  const value = (word: string, label: string) => (
    <>
      <Editable
        label={label}
        plain={!/\d/.test(get(word))}
        width={/\d/.test(get(word)) ? 6 : 14}
        value={figure(get(word) || (none[word] ?? ''))}
        disabled={readOnly}
        onChange={(v) => set(word, v)}
      />
      {refused?.word === word && (
        <span className="notice mx-1 inline-block" role="alert">
          {refused.why}
        </span>
      )}
    </>
  );
  const pick = (word: string, label: string, options: { value: string; words: string }[]) => (
    <EditableChoice
      label={label}
      value={get(word) || (options[0]?.value ?? '')}
      options={options}
      disabled={readOnly}
      onChange={(v) => set(word, v)}
    />
  );
  const weighed = isWeighed(content);
  const several = get('attempts') !== '1';
  const timed = !['', 'none'].includes(get('time'));
  const judged = isJudged && get('key') !== 'none';
  const hints = (content.hints ?? []).length > 0;
  const rest = (
    <>
      {value('time', 'Time')}
      {timed && (
        <>
          {several && ' over all attempts'}; out of time{' '}
          {pick('late', 'Out of time', [
            { value: 'wrong', words: 'counts as wrong' },
            { value: 'blank', words: 'counts as blank' },
            { value: 'marks', words: 'marks what was entered' },
          ])}{' '}
          <WhereForward />
        </>
      )}
      {isJudged && (
        <>
          {' · '}
          <EditableChoice
            label="Graded"
            value={get('key') === 'none' ? 'none' : get('graded')}
            options={[
              { value: 'yes', words: 'graded' },
              { value: 'no', words: 'judged, not graded' },
              { value: 'none', words: 'recorded only, without a key' },
            ]}
            disabled={readOnly}
            onChange={(v) => edit((c) => (v === 'none' ? withoutKeys(c) : reset(reset(c, 'key', null), 'graded', v === 'yes' ? null : v)))}
          />
        </>
      )}
      {Settings && <Settings get={get} value={value} pick={pick} />}
    </>
  );
  return (
    <div className="space-y-0.5">
      {judged ? (
        <>
          <p>
            {weighed ? <b className="fig">{margin?.worth ?? '…'}</b> : value('points', 'Points')}{' '}
            {!weighed && get('points') === '1' ? 'point' : 'points'},{' '}
            {rules.length === 1 ? <Term means={meanings.whole}>whole</Term> : pick('marking', 'Marking', words(rules))}
            {get('marking') === 'parts' && (
              <>
                , a wrong part costs {value('wrong part costs', 'What a wrong part costs')}{' '}
                {get('wrong part costs') === '' ? '' : get('wrong part costs') === '1' ? 'right part' : 'right parts'}
              </>
            )}
            {' · '}
            {value('attempts', 'Attempts')} {several ? 'attempts' : 'attempt'}
            {several && (
              <>
                , a later one costs {value('attempt costs', 'What a later attempt costs')}; the{' '}
                {pick('stands', 'Which attempt stands', words(facts.stands?.words ?? []))} <Term means={meanings.stands}>stands</Term>
              </>
            )}
          </p>
          <p>
            wrong costs {value('wrong costs', 'What wrong costs')} · blank costs {value('blank costs', 'What blank costs')} ·{' '}
            <Term means={meanings.floor}>floor</Term> {value('floor', 'Floor')}
            {hints && <> · a hint costs {value('hint costs', 'What a hint costs')}</>} · {rest}
          </p>
        </>
      ) : (
        <p>recorded only, earns nothing · {rest}</p>
      )}
      {own.refresher !== undefined && (
        <p>
          after the last failed attempt to “{own.refresher}” <WhereForward />
        </p>
      )}
      {problem !== null && problem.field !== null && problem.field in own && (
        <p className="notice" role="alert">
          {problem.message}
        </p>
      )}
      <Origins own={own} bank={bankSettings} readOnly={readOnly} onBack={(word) => edit((c) => reset(c, word, null))} />
    </div>
  );
}

/** Each setting made here or by the bank; those made here can be set back. */
function Origins(props: { own: Record<string, string>; bank: Record<string, string>; readOnly: boolean; onBack: (word: string) => void }) {
  const { own, bank, readOnly, onBack } = props;
  const mine = Object.keys(own);
  const banks = Object.keys(bank).filter((word) => !(word in own));
  const from = (word: string) => (word in bank ? `${bank[word] ?? ''} (bank)` : `${house(word) ?? none[word] ?? 'unset'} (house)`);
  return (
    <p className="text-quiet">
      {mine.length > 0 && 'set here: '}
      {mine.map((word, i) => (
        <span key={word}>
          {i > 0 && ', '}
          {readOnly ? (
            word
          ) : (
            <button
              className="act"
              title={`Set back to ${from(word)}`}
              aria-label={`Set ${word} back to ${from(word)}`}
              onClick={() => onBack(word)}
            >
              {word} ↶
            </button>
          )}
        </span>
      ))}
      {mine.length > 0 && ' · '}
      {banks.length > 0 && `${banks.join(', ')} from the bank · `}
      {mine.length === 0 && banks.length === 0 ? 'all from the house rules' : 'the rest by the house'}
    </p>
  );
}
