import { figure } from '../../parts/figures';
import { Pick, Value } from '../../parts/Value';
import type { Content, Question } from './draft';

const rules: Record<Content['kind'], string[]> = {
  one: ['whole', 'weighed'],
  several: ['whole', 'parts', 'each', 'weighed'],
  claim: ['whole', 'weighed'],
  number: ['whole'],
  text: ['whole'],
};
const words = (values: string[]) => values.map((value) => ({ value, words: value }));

/** The marks of a question as sentences whose values can be typed over; below, where the values come from. */
export function SettingsSentence(props: {
  content: Content;
  margin: Question['margin'] | null;
  onChange: (content: Content) => void;
  readOnly: boolean;
}) {
  const { content, margin, onChange, readOnly } = props;
  const own = content.settings ?? {};
  const house: Record<string, string> = {
    points: '1',
    marking: 'whole',
    attempts: '1',
    'attempt costs': '0',
    'wrong costs': '0',
    'blank costs': '0',
    'hint costs': '0',
    shuffle: 'no',
    choose: 'any',
    typos: '0',
    ignore: 'case',
    unit: 'none',
  };
  const get = (word: string) => own[word] ?? margin?.settings[word]?.value ?? house[word] ?? '';
  const set = (word: string, value: string) => {
    const settings = { ...own, [word]: value.replace('−', '-') };
    const cleaned = word === 'marking' && value === 'weighed' ? without(settings, 'points') : settings;
    const choices = word === 'marking' ? content.choices?.map((c) => weigh(c, value === 'weighed')) : content.choices;
    onChange({ ...content, settings: value === '' || value === 'none' ? without(settings, word) : cleaned, ...(choices && { choices }) });
  };
  const value = (word: string, label: string) => (
    <Value label={label} value={figure(get(word))} disabled={readOnly} onChange={(v) => set(word, v)} />
  );
  const weighed = get('marking') === 'weighed';
  const several = get('attempts') !== '1';
  const mine = Object.keys(own);
  return (
    <div className="space-y-0.5">
      <p>
        {weighed ? <b className="fig">{margin?.worth ?? '…'}</b> : value('points', 'Points')}{' '}
        {!weighed && get('points') === '1' ? 'point' : 'points'},{' '}
        <Pick
          label="Marking"
          value={get('marking')}
          options={words(rules[content.kind])}
          disabled={readOnly || rules[content.kind].length === 1}
          onChange={(v) => set('marking', v)}
        />
        {get('marking') === 'parts' && <>, a wrong part costs {value('wrong part costs', 'What a wrong part costs')} right parts</>}
        {' · '}
        {value('attempts', 'Attempts')} {several ? 'attempts' : 'attempt'}
        {several && (
          <>
            , a later one costs {value('attempt costs', 'What a later attempt costs')}; the{' '}
            <Pick
              label="Which attempt stands"
              value={get('stands') || 'last'}
              options={words(['last', 'best'])}
              disabled={readOnly}
              onChange={(v) => set('stands', v)}
            />{' '}
            stands
          </>
        )}
      </p>
      <p>
        wrong costs {value('wrong costs', 'What wrong costs')} · blank costs {value('blank costs', 'What blank costs')}
        {content.kind === 'several' && <> · choose {value('choose', 'How many to choose')}</>}
        {(content.kind === 'one' || content.kind === 'several') && (
          <>
            {' '}
            · answers{' '}
            <Pick
              label="Shuffled or not"
              value={get('shuffle') === 'yes' ? 'yes' : 'no'}
              options={[
                { value: 'yes', words: 'shuffled' },
                { value: 'no', words: 'in the order written' },
              ]}
              disabled={readOnly}
              onChange={(v) => set('shuffle', v)}
            />
          </>
        )}
      </p>
      {content.kind === 'text' && (
        <p>
          ignores {value('ignore', 'What is ignored')} · {value('typos', 'Typos allowed')} typos allowed
        </p>
      )}
      {content.kind === 'number' && <p>units {value('unit', 'Accepted units')}</p>}
      <p className="text-quiet">{mine.length === 0 ? 'all from the house rules' : `${mine.join(', ')} set here, the rest by the house`}</p>
    </div>
  );
}

function weigh<T extends { weight?: string; key: boolean }>(choice: T, weighed: boolean): T {
  const { weight, ...rest } = choice;
  return weighed ? { ...choice, weight: weight ?? (choice.key ? '1' : '0') } : (rest as T);
}

function without(settings: Record<string, string>, word: string): Record<string, string> {
  return Object.fromEntries(Object.entries(settings).filter(([key]) => key !== word));
}
