import { rungs } from '../../../kinds/facts.gen';
import { EditableChoice } from '../../../parts/fields/Editable';
import { type Document, tidy, without } from '../document';
import { usePageOptions } from '../usePageOptions';

interface Props {
  bank: number;
  document: Document;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

type Who = 'passed' | 'notPassed';
type Rung = (typeof rungs)[number];

const rungOptions = rungs.map((value) => ({ value, words: value }));
const specimen = (who: Who, isJudged: boolean): Record<Rung, string> => ({
  nothing: 'only that it is handed in',
  'passed or not': !isJudged ? 'only that it is handed in' : who === 'passed' ? '“Passed.”' : '“Not passed.”',
  total: !isJudged
    ? '“87 of 125 points, 69.6 %.”'
    : who === 'passed'
      ? '“87 of 125 points, 69.6 %. Passed.”'
      : '“52 of 125 points, 41.6 %. Not passed.”',
  objectives: 'that, and how much of each objective',
  'own paper': 'that, and the questions with what was answered',
  'marked paper': 'that, with the marks at each question',
  'marked paper with key and feedback': 'that, with the right answers and all feedback',
});

/** What a candidate sees of an ended sitting, and with which page it closes. */
export function ReviewSentences({ bank, document, readOnly, onChange }: Props) {
  const pages = usePageOptions(bank, 'no page');
  const { review = {}, closing = {}, pass } = document;
  const rung = (who: Who, when: 'at once' | 'closed') =>
    review[who]?.find((one) => (one.when ?? 'at once') === when)?.rung ?? ('nothing' as const);
  const put = (who: Who, when: 'at once' | 'closed', to: Rung) => {
    const others = (review[who] ?? []).filter((one) => (one.when ?? 'at once') !== when);
    const next = to === 'nothing' ? others : [...others, { rung: to, ...(when === 'closed' && { when }) }];
    onChange({
      ...document,
      review: { ...review, [who]: next.toSorted((a, b) => (a.when ?? '').localeCompare(b.when ?? '')) },
    });
  };
  const sentence = (who: Who, words: string) => (
    <p>
      {words} sees{' '}
      <EditableChoice
        label={`${words} sees`}
        value={rung(who, 'at once')}
        options={rungOptions}
        disabled={readOnly}
        onChange={(to) => put(who, 'at once', to)}
      />{' '}
      at once, and when it has closed{' '}
      <EditableChoice
        label={`${words} sees when it has closed`}
        value={rung(who, 'closed')}
        options={rungOptions.map(({ value, words: w }) => ({ value, words: value === 'nothing' ? 'no more' : w }))}
        disabled={readOnly}
        onChange={(to) => put(who, 'closed', to)}
      />
      <span className="block text-quiet">{specimen(who, pass !== undefined)[rung(who, 'at once')]}</span>
    </p>
  );
  const page = (field: 'passed' | 'notPassed' | 'noPassMark', label: string) => (
    <EditableChoice
      label={label}
      value={closing[field] ?? ''}
      options={pages}
      disabled={readOnly}
      onChange={(name) => {
        const next = tidy({ ...closing, [field]: name === '' ? undefined : name });
        onChange(Object.keys(next).length > 0 ? { ...document, closing: next } : without(document, 'closing'));
      }}
    />
  );
  return (
    <section className="space-y-1">
      <h2 className="head">afterwards</h2>
      {pass ? (
        <>
          {sentence('passed', 'Who passes')}
          {sentence('notPassed', 'Who does not')}
          <p>
            It closes with {page('passed', 'Closing page for who passes')} for who passes,{' '}
            {page('notPassed', 'Closing page for who does not')} for who does not
          </p>
        </>
      ) : (
        <>
          {sentence('passed', 'A candidate')}
          <p>It closes with {page('noPassMark', 'Closing page')}</p>
        </>
      )}
    </section>
  );
}
