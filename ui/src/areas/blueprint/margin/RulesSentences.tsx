import { Editable, EditableChoice } from '../../../parts/fields/Editable';
import { type Document, type Rules, tidy } from '../document';
import { EachQuestion } from '../running/step/Sayings';
import { duration, minutes, sittings, why } from '../typed';
import { choices, chosen, nameOf, type RuleName, rules as ruled, silent } from '../rules';
import { nearest, presets, withPreset } from './presets';

interface Props {
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

/** Seconds of a duration as the format writes it. */
export function secondsOf(time: string | undefined): number | null {
  const [, figures = '', unit = ''] = /^(\d+(?:\.\d+)?)\s*(s|min|h)/.exec(time ?? '') ?? [];
  return figures === '' ? null : Math.round(Number(figures) * (unit === 's' ? 1 : unit === 'h' ? 3600 : 60));
}

/** The rules of the whole as sentences with values to choose, and how they differ from a usual sort of assessment. */
export function RulesSentences({ document, readOnly, onChange }: Props) {
  const rules: Rules = document.rules ?? {};
  const set = (part: Partial<Record<keyof Rules, unknown>>) => onChange({ ...document, rules: tidy({ ...rules, ...part }) as Rules });
  const valueOf = (rule: RuleName) => (rules as Record<string, string | boolean | undefined>)[rule] ?? silent(rule);
  const said = (rule: RuleName) => (
    <EditableChoice
      label={ruled[rule].asks}
      value={String(valueOf(rule))}
      options={choices(rule)}
      disabled={readOnly}
      onChange={(picked) => set({ [rule]: chosen(rule, picked) })}
    />
  );
  const seconds = secondsOf(rules.time);
  const many = rules.sittings ?? 1;
  const forward = valueOf('moving') === 'forward only';
  const told = !['at the end', 'never'].includes(String(valueOf('feedback')));
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
          differs from {preset.name} in {differs.map((rule) => nameOf(rule)).join(', ')}{' '}
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
        feedback {said('feedback')}
        {told && (
          <>
            ; the right answer {said('key')}
            {rules.key === true && <>, {said('keyOnRequest')}</>}; meanwhile the question {said('hide')}; points so far {said('score')}
          </>
        )}
      </p>
      <p>
        moving {said('moving')}, {said('screen')}; a question {said('mustAnswer')}; its worth {said('worth')}
      </p>
      {told && (
        <p>
          a response is checked {said('checkOnChoosing')}, {said('allParts')}; for a further attempt answers {said('reshuffle')}; after a
          right one {said('goesOnByItself')}
        </p>
      )}
      <EachQuestion
        settings={document.settings}
        of="In the whole, "
        readOnly={readOnly}
        onPut={(settings) => onChange(tidy({ ...document, settings }) as Document)}
      />
      <p>
        when time runs out, what was saved counts {said('runningOut')}; closing time {said('untilEnds')}; the total {said('floor')}
      </p>
      {(!forward || rules.screen === 'section') && (
        <p className="text-quiet">A question’s own time, refresher and where its choices lead hold only forward, a question a page.</p>
      )}
    </section>
  );
}
