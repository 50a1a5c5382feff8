import { type ReactNode, useState } from 'react';
import { errorWords, type Schema } from '../../../api/client';
import { EditableChoice } from '../../../parts/fields/Editable';
import { PageAndMargin, Row } from '../../../parts/PageAndMargin';
import { WhereForward } from '../../../parts/WhereForward';
import type { Kind } from '../../../kinds/content';
import { allKinds } from '../../../kinds/facts';
import { isOver, JobProgress, useJob } from '../../background/JobProgress';
import { groups, type Sentence } from './sentences';
import { SettingValue } from './SettingValue';
import { type Place, type Settings, useSettings, PAUSE } from './useSettings';
import { Asked } from './Asked';
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
  /** how the questions stand to one setting, for a kind or all, and which kinds a change of it reaches */
  standing?: (kind: Kind | '', word: string, reached: Kind[]) => ReactNode;
  /** which cleared questions of these kinds a change of a setting, or of what is said after an outcome, would reach, in words to be agreed to; empty: none */
  follows: (word: string, reached: Kind[]) => string;
  /** what a candidate reads of a kind under all this */
  specimen?: (kind: Kind | '') => ReactNode;
  further?: ReactNode;
  /** what stands below the sheet */
  below?: ReactNode;
}

/** What counts where a question says nothing itself: a sentence for each setting, its value to choose; where it comes from in the margin. */
export function SettingsSheet({ place, stored, readOnly, heading, setBy, beyond, standing, follows, specimen, further, below }: Props) {
  const [kind, setKind] = useState<Kind | ''>('');
  const [first] = useState(stored.version);
  const { saving, again } = useSettings(place, stored);
  const following = useJob(stored.following, again);
  const { house } = stored;
  const { settings: every, byKind } = saving.value;
  const here = kind === '' ? every : (byKind[kind] ?? {});
  const put = (values: Record<string, string>) =>
    saving.put(kind === '' ? { ...saving.value, settings: values } : { ...saving.value, byKind: { ...byKind, [kind]: values } });
  /** What is set for every question does not reach kinds with their own, nor claims where it shuffles. */
  const reached = (word: string) =>
    kind === '' ? allKinds.filter((k) => byKind[k]?.[word] === undefined && (word !== 'shuffle' || k !== 'claim')) : [kind];
  const [asked, setAsked] = useState<{ kind: Kind | ''; word: string; value: string | null } | null>(null);
  const change = (word: string, value: string | null) => {
    setAsked(null);
    const others = Object.fromEntries(Object.entries(here).filter(([key]) => key !== word));
    put(value === null ? others : { ...others, [word]: value });
  };
  const ask = (word: string, value: string | null) => {
    if (follows(word, reached(word)) === '') change(word, value);
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
                options={[{ value: '', words: 'every question' }, ...allKinds.map((k) => ({ value: k, words: `every ${k}` }))]}
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
              standing={standing?.(kind, sentence.word, reached(sentence.word))}
              asked={
                asked?.kind === kind &&
                asked.word === sentence.word && (
                  <Asked
                    what={`To ${valueWords(sentence, asked.value ?? otherwise(sentence.word).value)}? ${follows(sentence.word, reached(sentence.word))}`}
                    focused
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
        thing={place.thing}
        follows={follows}
        onChange={(part) => saving.put({ ...saving.value, ...part }, PAUSE)}
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
      {below}
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
  // A word that stands in for a number is the whole answer.
  const after =
    value === '' && sentence.none !== undefined ? '.' : ((value === '1' ? sentence.afterOne : undefined) ?? sentence.after ?? '');
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
