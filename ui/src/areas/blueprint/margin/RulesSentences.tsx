import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { type Document, type Rules, tidy } from '../document';
import { EachQuestion } from '../running/step/Sayings';
import { duration, minutes, sittings, why } from '../typed';
import { nearest, presets, withPreset } from './presets';
import { ruleWords } from './ruleWords';

interface Props {
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

type Word = 'moving' | 'screen' | 'feedback' | 'runningOut' | 'floor';
type Flag =
  | 'mustAnswer'
  | 'allParts'
  | 'score'
  | 'worth'
  | 'key'
  | 'keyOnRequest'
  | 'hide'
  | 'checkOnChoosing'
  | 'reshuffle'
  | 'goesOnByItself'
  | 'untilEnds';

/** Seconds of a duration as the format writes it. */
export function secondsOf(time: string | undefined): number | null {
  const [, figures = '', unit = ''] = /^(\d+(?:\.\d+)?)\s*(s|min|h)/.exec(time ?? '') ?? [];
  return figures === '' ? null : Math.round(Number(figures) * (unit === 's' ? 1 : unit === 'h' ? 3600 : 60));
}

/** The rules of the whole as sentences with values to choose, and how they differ from a usual sort of assessment. */
export function RulesSentences({ document, readOnly, onChange }: Props) {
  const rules: Rules = document.rules ?? {};
  const set = (part: Partial<Record<keyof Rules, unknown>>) => onChange({ ...document, rules: tidy({ ...rules, ...part }) as Rules });
  const word = (rule: Word, label: string, options: readonly { value: string; words: string }[]) => (
    <EditableChoice
      label={label}
      value={rules[rule] ?? options[0]?.value ?? ''}
      options={options}
      disabled={readOnly}
      onChange={(value) => set({ [rule]: value })}
    />
  );
  const flag = (rule: Flag, label: string, yes: string, no: string, silent = false) => (
    <EditableChoice
      label={label}
      value={(rules[rule] ?? silent) ? 'yes' : 'no'}
      options={[
        { value: 'no', words: no },
        { value: 'yes', words: yes },
      ]}
      disabled={readOnly}
      onChange={(value) => set({ [rule]: value === 'yes' })}
    />
  );
  const seconds = secondsOf(rules.time);
  const many = rules.sittings ?? 1;
  const forward = (rules.moving ?? 'forward only') === 'forward only';
  const told = !['at the end', 'never'].includes(rules.feedback ?? 'after each attempt');
  const { preset, differs } = nearest(document);
  return (
    <section className="space-y-1">
      <h2 className="flex items-baseline gap-3">
        <span className="head">rules</span>
        <EditableChoice
          label="Sort of assessment"
          value={preset.name}
          shown={preset.name}
          options={presets.map(({ name, says }) => ({ value: name, words: `${name}: ${says}` }))}
          disabled={readOnly}
          onChange={(name) => {
            const chosen = presets.find((one) => one.name === name);
            if (chosen) onChange(withPreset(document, chosen));
          }}
        />
      </h2>
      {differs.length > 0 && (
        <p className="text-quiet">
          differs from {preset.name} in {differs.map((rule) => ruleWords[rule] ?? rule).join(', ')}{' '}
          {!readOnly && (
            <button className="act" onClick={() => onChange(withPreset(document, preset))}>
              set these as in {preset.name}
            </button>
          )}
        </p>
      )}
      <p>
        <Editable
          label="Minutes for the whole, or no"
          value={seconds === null ? 'no' : String(Math.round((seconds / 60) * 100) / 100)}
          disabled={readOnly}
          refuse={why(minutes)}
          onChange={(typed) => {
            const found = minutes(typed);
            if ('seconds' in found) set({ time: found.seconds === null ? undefined : `${found.seconds} s` });
          }}
        />{' '}
        {seconds === null ? 'time limit' : seconds === 60 ? 'minute' : 'minutes'} ·{' '}
        <Editable
          label="Sittings for each candidate"
          value={many === 'unlimited' ? 'any number of' : String(many)}
          disabled={readOnly}
          refuse={why(sittings)}
          onChange={(typed) => {
            const found = sittings(typed);
            if ('sittings' in found) set({ sittings: found.sittings ?? 'unlimited' });
          }}
        />{' '}
        {many === 1 ? 'sitting' : 'sittings'}
        {many !== 1 && (
          <>
            , between them{' '}
            <Editable
              label="The pause between two sittings"
              value={rules.pause ?? 'no pause'}
              plain
              disabled={readOnly}
              refuse={(typed) => (/^no/.test(typed) || duration(typed) !== null ? null : 'such as 24 h or 30 min; or no')}
              onChange={(typed) => set({ pause: duration(typed) ?? undefined })}
            />
          </>
        )}
      </p>
      <p>
        feedback{' '}
        {word('feedback', 'When feedback is given', [
          { value: 'after each attempt', words: 'after each attempt' },
          { value: 'after the last attempt', words: 'after the last attempt' },
          { value: 'at the end', words: 'at the end' },
          { value: 'never', words: 'never' },
        ])}
        {told && (
          <>
            ; the right answer {flag('key', 'Whether the right answer is shown', 'is shown after the last', 'is not shown')}
            {rules.key === true && <>, {flag('keyOnRequest', 'When the right answer is shown', 'once it is asked for', 'by itself')}</>};
            meanwhile the question {flag('hide', 'Whether the question is hidden during feedback', 'is hidden', 'stays in sight')}; points
            so far {flag('score', 'Whether points so far are shown', 'are shown', 'are not shown')}
          </>
        )}
      </p>
      <p>
        moving{' '}
        {word('moving', 'How candidates move', [
          { value: 'forward only', words: 'forward only' },
          { value: 'any order', words: 'in any order' },
        ])}
        ,{' '}
        {word('screen', 'What is on a page', [
          { value: 'question', words: 'a question a page' },
          { value: 'section', words: 'a section a page' },
        ])}
        ; a question {flag('mustAnswer', 'Whether a question may be left blank', 'must be answered', 'may be left blank')}; its worth{' '}
        {flag('worth', 'Whether the worth is shown', 'is shown', 'is not shown')}
      </p>
      {told && (
        <p>
          a response is checked {flag('checkOnChoosing', 'How a response is checked', 'by choosing', 'by pressing Check')},{' '}
          {flag('allParts', 'From how many parts on', 'once all parts are given', 'from one part on')}; for a further attempt answers{' '}
          {flag('reshuffle', 'Whether answers are mixed anew', 'are mixed anew', 'stay in their order')}; after a right one{' '}
          {flag('goesOnByItself', 'What follows a right answer', 'it goes on by itself', 'one reads what is said and goes on')}
        </p>
      )}
      <EachQuestion
        settings={document.settings}
        of="In the whole, "
        readOnly={readOnly}
        onPut={(settings) => onChange(tidy({ ...document, settings }) as Document)}
      />
      <p>
        when time runs out, what was saved counts{' '}
        {word('runningOut', 'What counts when time runs out', [
          { value: 'as it stands', words: 'as it stands' },
          { value: 'unanswered', words: 'as unanswered' },
        ])}
        ; closing time {flag('untilEnds', 'Whether closing time ends sittings', 'ends sittings', 'lets sittings go on', true)}; the total{' '}
        {word('floor', 'The least of the total', [
          { value: '0', words: 'is never below 0' },
          { value: 'none', words: 'may be below 0' },
        ])}
      </p>
      {(!forward || rules.screen === 'section') && (
        <p className="text-quiet">A question’s own time, refresher and where its choices lead hold only forward, a question a page.</p>
      )}
    </section>
  );
}
