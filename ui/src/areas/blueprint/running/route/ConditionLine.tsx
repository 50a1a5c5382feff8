import { outcomes } from '../../../../kinds/facts.gen';
import { Editable, EditableChoice } from '../../../../parts/fields/Editable';
import { type Blueprint, type Condition, type Document, numbered } from '../../document';
import { points as pointsWord } from '../../../../parts/text/figures';
import { choiceWords, signs } from '../words';

interface Props {
  when: Condition;
  blueprint: Blueprint;
  document: Document;
  readOnly: boolean;
  /** the number of its checkpoint: it asks about what comes before */
  from: number;
  onChange: (when: Condition) => void;
}

type Sign = keyof typeof signs;
type Scope = Extract<Condition, { points: unknown }>['points'];
type Sort = 'points' | 'percent' | 'tally' | 'outcome' | 'chosen' | 'all' | 'any' | 'not';

const sortOf = (when: Condition) =>
  (Object.keys(when) as Sort[]).find((key) => key !== ('is' as string) && key !== ('value' as string) && key !== ('choice' as string)) ??
  'points';
const signOptions = (Object.keys(signs) as Sign[]).map((value) => ({ value, words: value === 'between' ? 'from … to' : signs[value] }));
const isNumber = (typed: string) => /^-?\d{1,6}([.,]\d{1,4})?$/.test(typed);

/** A condition built by choosing: what is looked at, how it compares, joined by and, or, not. */
export function ConditionLine({ when, blueprint, document, readOnly, from, onChange }: Props) {
  const before = numbered(document).filter(({ number }) => number < from);
  const questions = before.flatMap(({ step }) => ('question' in step ? [step.question] : []));
  const sections = document.sections.filter((section) => before.some((at) => at.section.id === section.id));
  const tallies = (document.tallies ?? []).map(({ name }) => name);
  const choosable = questions.filter((name) => (blueprint.questions[name]?.choices.length ?? 0) > 0);
  const sort = sortOf(when);
  const first = questions[0] ?? '';
  /** The same, as another sort of condition: numbers stay where both have some. */
  const become = (to: Sort): Condition => {
    const measured = 'value' in when ? { is: when.is, value: when.value } : { is: '>=' as const, value: '1' };
    if (to === 'points') return { points: 'all', ...measured };
    if (to === 'percent') return { percent: 'all', ...measured };
    if (to === 'tally') return { tally: tallies[0] ?? '', ...measured };
    if (to === 'outcome') return { outcome: first, is: ['right'] };
    if (to === 'chosen') return { chosen: choosable[0] ?? '', choice: 1 };
    if (to === 'not') return { not: when };
    const parts = 'all' in when ? when.all : 'any' in when ? when.any : [when, when];
    return to === 'all' ? { all: parts } : { any: parts };
  };
  const sorts = [
    {
      value: 'points' as const,
      words: 'value' in when ? pointsWord(String(Array.isArray(when.value) ? when.value[1] : when.value)) : 'points',
    },
    { value: 'percent' as const, words: 'percent' },
    ...(tallies.length > 0 ? [{ value: 'tally' as const, words: 'a tally' }] : []),
    ...(questions.length > 0 ? [{ value: 'outcome' as const, words: 'what came of a question' }] : []),
    ...(choosable.length > 0 ? [{ value: 'chosen' as const, words: 'a choice made' }] : []),
    { value: 'all' as const, words: 'all of these' },
    { value: 'any' as const, words: 'any of these' },
    { value: 'not' as const, words: 'not' },
  ];
  const choice = (
    <EditableChoice
      label="What is looked at"
      value={sort}
      options={sorts.some(({ value }) => value === sort) ? sorts : [...sorts, { value: sort, words: sort }]}
      disabled={readOnly}
      onChange={(to) => to !== sort && onChange(become(to))}
    />
  );
  const inner = { blueprint, document, readOnly, from };
  if ('not' in when)
    return (
      <>
        {choice} (<ConditionLine when={when.not} {...inner} onChange={(not) => onChange({ not })} />){' '}
        {!readOnly && (
          <button className="act text-sm" onClick={() => onChange(when.not)}>
            without not
          </button>
        )}
      </>
    );
  if ('all' in when || 'any' in when) {
    const parts = 'all' in when ? when.all : when.any;
    const put = (next: Condition[]) => onChange(next.length === 1 && next[0] ? next[0] : 'all' in when ? { all: next } : { any: next });
    return (
      <>
        {choice}:{' '}
        {parts.map((part, i) => (
          <span key={i}>
            {i > 0 && ('all' in when ? ' and ' : ' or ')}(
            <ConditionLine when={part} {...inner} onChange={(next) => put(parts.with(i, next))} />
            {!readOnly && (
              <>
                {' '}
                <button className="act text-sm" aria-label={`Take part ${i + 1} out`} onClick={() => put(parts.toSpliced(i, 1))}>
                  out
                </button>
              </>
            )}
            )
          </span>
        ))}{' '}
        {!readOnly && (
          <button className="act text-sm" onClick={() => put([...parts, { points: 'all', is: '>=', value: '1' }])}>
            one more
          </button>
        )}
      </>
    );
  }
  const names = (list: string[], value: string, label: string, onName: (name: string) => void) => (
    <EditableChoice
      label={label}
      value={value}
      options={(list.includes(value) ? list : [...list, value]).map((name) => ({ value: name, words: `“${name}”` }))}
      disabled={readOnly}
      onChange={onName}
    />
  );
  if ('outcome' in when)
    return (
      <>
        {choice}: {names(questions, when.outcome, 'Which question', (outcome) => onChange({ ...when, outcome }))} is{' '}
        <EditableChoice
          label="Which outcome"
          value={when.is.join(' or ')}
          options={[...new Set([...outcomes, 'wrong or partly right', 'wrong or out of time', when.is.join(' or ')])].map((value) => ({
            value,
            words: value,
          }))}
          disabled={readOnly}
          onChange={(is) => onChange({ ...when, is: is.split(' or ') as typeof when.is })}
        />
      </>
    );
  if ('chosen' in when)
    return (
      <>
        {choice}: {names(choosable, when.chosen, 'Which question', (chosen) => onChange({ chosen, choice: 1 }))} is answered with{' '}
        <EditableChoice
          label="Which choice"
          value={String(when.choice)}
          options={(blueprint.questions[when.chosen]?.choices ?? ['']).map((_, i) => ({
            value: String(i + 1),
            words: choiceWords(when.chosen, i + 1, { document, questions: blueprint.questions }),
          }))}
          disabled={readOnly}
          onChange={(picked) => onChange({ ...when, choice: Number(picked) })}
        />
      </>
    );
  const measured = when;
  const [low, high] = typeof measured.value === 'string' ? [measured.value, measured.value] : measured.value;
  const putValue = (is: Sign, value: string, to: string) => onChange({ ...measured, is, value: is === 'between' ? [value, to] : value });
  const figures = (label: string, value: string, onValue: (value: string) => void) => (
    <Editable
      label={label}
      value={value}
      width={5}
      disabled={readOnly}
      refuse={(typed) => (isNumber(typed) ? null : 'a number')}
      onChange={(typed) => onValue(typed.replace(',', '.'))}
    />
  );
  const scope = 'points' in when ? when.points : 'percent' in when ? when.percent : null;
  return (
    <>
      {'tally' in when && <>{names(tallies, when.tally, 'Which tally', (tally) => onChange({ ...when, tally }))} </>}
      <EditableChoice
        label="How it compares"
        value={measured.is}
        options={signOptions}
        disabled={readOnly}
        onChange={(is) => putValue(is, low ?? '1', high ?? '1')}
      />{' '}
      {figures(measured.is === 'between' ? 'From' : 'Value', low ?? '', (value) => putValue(measured.is, value, high ?? value))}
      {measured.is === 'between' && <> to {figures('To', high ?? '', (value) => putValue('between', low ?? value, value))}</>} {choice}
      {scope !== null && (
        <>
          {' '}
          <ScopeChoice
            scope={scope}
            sections={sections.map(({ id, title }, i) => ({ id, title: title ? `“${title}”` : `section ${i + 1}` }))}
            questions={questions}
            readOnly={readOnly}
            onChange={(next) => onChange({ ...when, ['points' in when ? 'points' : 'percent']: next })}
          />
        </>
      )}
    </>
  );
}

interface ScopeProps {
  scope: Scope;
  sections: { id: string; title: string }[];
  questions: string[];
  readOnly: boolean;
  onChange: (scope: Scope) => void;
}

/** Of what points are counted: of all so far, of a section, of some questions. */
function ScopeChoice({ scope, sections, questions, readOnly, onChange }: ScopeProps) {
  const named = typeof scope === 'object' && 'questions' in scope ? scope.questions : [];
  const value = scope === 'all' ? 'all' : 'section' in scope ? `section ${scope.section}` : 'questions';
  return (
    <>
      <EditableChoice
        label="Of what"
        value={value}
        options={[
          { value: 'all', words: 'so far' },
          ...sections.map(({ id, title }) => ({ value: `section ${id}`, words: `in ${title}` })),
          ...(questions.length > 0 || named.length > 0 ? [{ value: 'questions', words: 'in these questions' }] : []),
        ]}
        disabled={readOnly}
        onChange={(next) =>
          onChange(next === 'all' ? 'all' : next === 'questions' ? { questions: questions.slice(0, 1) } : { section: next.slice(8) })
        }
      />
      {named.map((name) => (
        <span key={name}>
          {' '}
          <EditableChoice
            label={`Counted: ${name}`}
            value={name}
            options={[
              ...(named.length > 1 ? [{ value: '', words: 'not this one' }] : []),
              ...[...new Set([name, ...questions])].map((one) => ({ value: one, words: `“${one}”` })),
            ]}
            disabled={readOnly}
            onChange={(next) => onChange({ questions: named.flatMap((old) => (old === name ? (next === '' ? [] : [next]) : [old])) })}
          />
        </span>
      ))}
      {named.length > 0 && !readOnly && questions.some((name) => !named.includes(name)) && (
        <>
          {' '}
          <EditableChoice
            label="Another question"
            value=""
            options={[
              { value: '', words: 'and …' },
              ...questions.filter((name) => !named.includes(name)).map((one) => ({ value: one, words: `“${one}”` })),
            ]}
            onChange={(next) => next !== '' && onChange({ questions: [...named, next] })}
          />
        </>
      )}
    </>
  );
}
