import { type ReactNode, useState } from 'react';
import { errorWords, type Schema } from '../../../api/client';
import { EditableChoice } from '../../../parts/fields/Editable';
import { PageAndMargin, Row } from '../../../parts/PageAndMargin';
import { WhereForward } from '../../../parts/WhereForward';
import type { Kind } from '../../../kinds/content';
import { kinds } from '../../../kinds/facts.gen';
import { isOver, JobProgress, useJob } from '../../background/JobProgress';
import { groups, type Sentence } from './sentences';
import { SettingValue } from './SettingValue';
import { type Place, type Settings, useSettings } from './useSettings';
import { ClearingRow } from './ClearingRow';
import { WordingRows } from './WordingRows';

interface Props {
  place: Place;
  stored: Settings;
  readOnly: boolean;
  heading: string;
  /** what sets here: "the bank", "the house rules" */
  setBy: string;
  /** where what it does not set comes from */
  beyond: string;
  /** how the questions stand to one setting, for a kind or all */
  standing?: (kind: Kind | '', word: string) => ReactNode;
  /** which cleared questions a change would reach, in words to be agreed to; empty: none */
  follows: (kind: Kind | '', word: string) => string;
  /** what a candidate reads of a kind under all this */
  specimen?: (kind: Kind | '') => ReactNode;
  further?: ReactNode;
}

/** What counts where a question says nothing itself: a sentence for each setting, its value to choose; where it comes from in the margin. */
export function SettingsSheet({ place, stored, readOnly, heading, setBy, beyond, standing, follows, specimen, further }: Props) {
  const [kind, setKind] = useState<Kind | ''>('');
  const [first] = useState(stored.version);
  const { saving, again } = useSettings(place, stored);
  const following = useJob(stored.following, again);
  const { house } = stored;
  const { settings: every, byKind } = saving.value;
  const here = kind === '' ? every : (byKind[kind] ?? {});
  const put = (values: Record<string, string>) =>
    saving.put(kind === '' ? { ...saving.value, settings: values } : { ...saving.value, byKind: { ...byKind, [kind]: values } });
  const [asked, setAsked] = useState<{ kind: Kind | ''; word: string; value: string | null } | null>(null);
  const change = (word: string, value: string | null) => {
    setAsked(null);
    const others = Object.fromEntries(Object.entries(here).filter(([key]) => key !== word));
    put(value === null ? others : { ...others, [word]: value });
  };
  const ask = (word: string, value: string | null) => {
    if (follows(kind, word) === '') change(word, value);
    else setAsked({ kind, word, value });
  };
  const otherwise = (word: string) => {
    const general = kind === '' || (word === 'shuffle' && kind === 'claim') ? undefined : every[word];
    return {
      general,
      value: general ?? (kind === '' ? undefined : house.byKind[kind]?.[word]) ?? house.settings[word] ?? '',
    };
  };
  const shown = groups
    .map((group) => ({ ...group, sentences: group.sentences.filter(({ word }) => kind === '' || stored.takes[kind]?.includes(word)) }))
    .filter(({ sentences }) => sentences.length > 0);
  return (
    <PageAndMargin label={heading}>
      <Row
        className="pt-5 pb-3"
        page={
          <h1>
            <span className="title">{heading}</span>{' '}
            <span className="path ml-2">
              for{' '}
              <EditableChoice
                label="For which questions"
                value={kind}
                options={[
                  { value: '', words: 'every question' },
                  ...(Object.keys(kinds) as Kind[]).map((k) => ({ value: k, words: `every ${k}` })),
                ]}
                onChange={(k) => setKind(k)}
              />
            </span>
          </h1>
        }
        margin={
          <>
            <State saving={saving} stored={stored} first={first} following={following} />
            {further}
          </>
        }
      />
      {specimen && <Row className="pb-3" page={specimen(kind)} />}
      {shown.map(({ head, sentences }) => (
        <section key={head} aria-label={head} className="contents">
          <Row className="pt-3" page={<h2 className="head">{head}</h2>} />
          {sentences.map((sentence) => (
            <Line
              key={sentence.word}
              sentence={sentence}
              own={here[sentence.word]}
              further={otherwise(sentence.word).value}
              source={otherwise(sentence.word).general === undefined ? beyond : `set by ${setBy} for every question`}
              setBy={kind === '' ? setBy : `${setBy} for every ${kind}`}
              readOnly={readOnly}
              busy={saving.isSaving}
              standing={standing?.(kind, sentence.word)}
              asked={
                asked?.kind === kind &&
                asked.word === sentence.word && (
                  <Asked
                    to={valueWords(sentence, asked.value ?? otherwise(sentence.word).value)}
                    follows={follows(kind, sentence.word)}
                    onChange={() => change(sentence.word, asked.value)}
                    onLeave={() => setAsked(null)}
                  />
                )
              }
              onChange={(value) => ask(sentence.word, value)}
              onBack={() => ask(sentence.word, null)}
            />
          ))}
        </section>
      ))}
      <WordingRows
        kind={kind}
        value={saving.value}
        house={house}
        setBy={setBy}
        beyond={beyond}
        readOnly={readOnly}
        onChange={(part) => saving.put({ ...saving.value, ...part })}
      />
      {kind === '' && (
        <ClearingRow
          own={saving.value.clearing}
          house={house.clearing}
          setBy={setBy}
          beyond={beyond}
          readOnly={readOnly}
          onChange={(clearing) => saving.put({ ...saving.value, clearing })}
        />
      )}
    </PageAndMargin>
  );
}

interface LineProps {
  sentence: Sentence;
  own: string | undefined;
  /** what counts where it is not set here */
  further: string;
  source: string;
  setBy: string;
  readOnly: boolean;
  busy: boolean;
  standing: ReactNode;
  asked: ReactNode;
  onChange: (value: string) => void;
  onBack: () => void;
}

function Line({ sentence, own, further, source, setBy, readOnly, busy, standing, asked, onChange, onBack }: LineProps) {
  const { word, before } = sentence;
  const value = own ?? further;
  const after = (value === '1' ? sentence.afterOne : undefined) ?? sentence.after ?? '';
  return (
    <Row
      line
      page={
        <>
          <p>
            {before} <SettingValue sentence={sentence} value={value} disabled={readOnly || busy} onChange={onChange} />
            {after === '.' ? '' : ' '}
            {after} {['time', 'late'].includes(word) && <WhereForward />}
          </p>
          {asked}
        </>
      }
      margin={
        <p>
          {own === undefined ? (
            <span className="text-quiet">{source}</span>
          ) : (
            <>
              set by {setBy}{' '}
              {!readOnly && (
                <button className="act" disabled={busy} aria-label={`Set ${word} back`} onClick={onBack}>
                  set back to {valueWords(sentence, further)}
                </button>
              )}
            </>
          )}
          {standing}
        </p>
      }
    />
  );
}

const valueWords = ({ values, none }: Sentence, value: string) =>
  value === '' ? (none ?? 'none') : (values?.find((one) => one.value === value)?.words ?? value);

const focus = (button: HTMLButtonElement | null) => button?.focus();

/** A change of a default that reaches cleared questions is agreed to first. */
function Asked({ to, follows, onChange, onLeave }: { to: string; follows: string; onChange: () => void; onLeave: () => void }) {
  return (
    <p className="notice" role="alert">
      To {to}? {follows} What is frozen for sittings stays as it is.{' '}
      <button className="act" ref={focus} onClick={onChange}>
        Change it
      </button>{' '}
      <button className="act" onClick={onLeave}>
        Leave it
      </button>
    </p>
  );
}

interface StateProps {
  saving: ReturnType<typeof useSettings>['saving'];
  stored: Settings;
  first: number;
  following: Schema['Job'] | null;
}

function State({ saving, stored, first, following }: StateProps) {
  if (saving.error) {
    return (
      <div className="notice" role="alert">
        <p>{errorWords(saving.error)}</p>
        {saving.theirs && (
          <button className="act" onClick={saving.saveMine}>
            Save mine over it
          </button>
        )}{' '}
        <button className="act" onClick={() => saving.adopt(saving.theirs ?? stored)}>
          {saving.theirs ? 'Take the newer ones' : 'Back to what is set'}
        </button>
      </div>
    );
  }
  if (following && !isOver(following)) return <JobProgress job={following} doing="saved; worths follow" />;
  return (
    <p role="status">
      {saving.isSaving
        ? 'saving …'
        : stored.version > first
          ? 'saved; worths were worked out anew'
          : 'Each question still goes before these.'}
    </p>
  );
}
