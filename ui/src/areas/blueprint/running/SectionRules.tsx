import { sectionWords } from './words';
import { EditableChoice } from '../../../parts/fields/Editable';
import { EachQuestion } from './step/Sayings';
import { type Document, putSection, type Section, tidy } from '../document';

interface Props {
  document: Document;
  section: Section;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

type Rules = NonNullable<Section['rules']>;
type Rule =
  | 'moving'
  | 'screen'
  | 'feedback'
  | 'mustAnswer'
  | 'allParts'
  | 'worth'
  | 'key'
  | 'hide'
  | 'checkOnChoosing'
  | 'reshuffle'
  | 'keyOnRequest'
  | 'goesOnByItself';

interface Ruling {
  rule: Rule;
  label: string;
  /** what stands before it */
  says: string;
  /** values as they are written, and in words */
  values: readonly (readonly [string | boolean, string])[];
}

const rulings: Ruling[] = [
  { rule: 'moving', label: 'moving', says: 'moving', values: [['forward only', 'forward only'], ['any order', 'in any order']] }, // prettier-ignore
  { rule: 'screen', label: 'what is on a page', says: ',', values: [['question', 'a question a page'], ['section', 'all on one page']] }, // prettier-ignore
  { rule: 'mustAnswer', label: 'leaving blank', says: '; a question', values: [[true, 'must be answered'], [false, 'may be left blank']] }, // prettier-ignore
  {
    rule: 'worth',
    label: 'worth shown',
    says: '; its worth',
    values: [
      [true, 'is shown'],
      [false, 'is not shown'],
    ],
  },
  { rule: 'feedback', label: 'feedback', says: '; feedback', values: ['after each attempt', 'after the last attempt', 'at the end', 'never'].map((word) => [word, word] as const) }, // prettier-ignore
  { rule: 'key', label: 'right answer shown', says: '; the right answer', values: [[true, 'is shown after the last'], [false, 'is not shown']] }, // prettier-ignore
  { rule: 'keyOnRequest', label: 'right answer on request', says: ',', values: [[true, 'once it is asked for'], [false, 'by itself']] }, // prettier-ignore
  { rule: 'hide', label: 'hiding the question', says: '; meanwhile the question', values: [[true, 'is hidden'], [false, 'stays in sight']] }, // prettier-ignore
  { rule: 'checkOnChoosing', label: 'checking by choosing', says: '; it is checked', values: [[true, 'by choosing'], [false, 'by pressing Check']] }, // prettier-ignore
  { rule: 'allParts', label: 'checking a part', says: ',', values: [[true, 'once all parts are given'], [false, 'from one part on']] }, // prettier-ignore
  { rule: 'reshuffle', label: 'mixing anew', says: '; for a further attempt answers', values: [[true, 'are mixed anew'], [false, 'stay in their order']] }, // prettier-ignore
  { rule: 'goesOnByItself', label: 'going on by itself', says: '; after a right one', values: [[true, 'it goes on by itself'], [false, 'one reads what is said']] }, // prettier-ignore
];

const asWhole = 'as the whole';

/** The rules of one section, as a sentence: where it says nothing the whole does. */
export function SectionRules({ document, section, readOnly, onChange }: Props) {
  const rules: Rules = section.rules ?? {};
  const put = (rule: Rule, value: string | boolean | undefined) => {
    const next = tidy<Rules>({ ...rules, [rule]: value });
    onChange(putSection(document, section.id, { rules: Object.keys(next).length > 0 ? next : undefined } as Partial<Section>));
  };
  const shown = readOnly ? rulings.filter(({ rule }) => rules[rule] !== undefined) : rulings;
  const putSettings = (settings: Section['settings']) => onChange(putSection(document, section.id, { settings } as Partial<Section>));
  return (
    <>
      <p className="path pb-1 pl-[82px]" aria-label={`Rules of ${sectionWords(document, section.id)}`}>
        Here{' '}
        {shown.map(({ rule, label, says, values }, i) => {
          const said = rules[rule];
          return (
            <span key={rule}>
              {i === 0 ? says.replace(/^[,;] /, '') : says}{' '}
              <EditableChoice
                label={`Here, ${label}`}
                value={said === undefined ? '' : String(said)}
                options={[{ value: '', words: asWhole }, ...values.map(([value, words]) => ({ value: String(value), words }))]}
                disabled={readOnly}
                onChange={(picked) => put(rule, values.find(([value]) => String(value) === picked)?.[0])}
              />
            </span>
          );
        })}
        .
      </p>
      <div className="path pb-2 pl-[82px]">
        <EachQuestion
          settings={section.settings}
          of={`In ${sectionWords(document, section.id)}, `}
          readOnly={readOnly}
          onPut={putSettings}
        />
      </div>
    </>
  );
}
