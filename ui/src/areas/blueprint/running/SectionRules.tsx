import { sectionWords } from './words';
import { EditableChoice } from '../../../parts/fields/Editable';
import { EachQuestion } from './step/Sayings';
import { type Document, putSection, type Section, tidy } from '../document';
import { choices, chosen, nameOf, type RuleName } from '../rules';

interface Props {
  document: Document;
  section: Section;
  readOnly: boolean;
  onChange: (document: Document) => void;
}

type Rules = NonNullable<Section['rules']>;
/** The rules that a section may make for itself, each with what stands before it in the sentence. */
const sayings: Partial<Record<RuleName, string>> = {
  moving: 'moving',
  screen: ',',
  mustAnswer: '; a question',
  worth: '; its worth',
  feedback: '; feedback',
  key: '; the right answer',
  keyOnRequest: ',',
  hide: '; meanwhile the question',
  checkOnChoosing: '; it is checked',
  allParts: ',',
  reshuffle: '; for a further attempt answers',
  goesOnByItself: '; after a right one',
};
const ofSections = Object.entries(sayings) as [RuleName & keyof Rules, string][];

const asWhole = 'as the whole';

/** The rules of one section, as a sentence: where it says nothing the whole does. */
export function SectionRules({ document, section, readOnly, onChange }: Props) {
  const rules: Rules = section.rules ?? {};
  const put = (rule: RuleName, value: string | boolean | undefined) => {
    const next = tidy<Rules>({ ...rules, [rule]: value });
    onChange(putSection(document, section.id, { rules: Object.keys(next).length > 0 ? next : undefined } as Partial<Section>));
  };
  const shown = readOnly ? ofSections.filter(([rule]) => rules[rule] !== undefined) : ofSections;
  const putSettings = (settings: Section['settings']) => onChange(putSection(document, section.id, { settings } as Partial<Section>));
  return (
    <>
      <p className="path pb-1 pl-[82px]" aria-label={`Rules of ${sectionWords(document, section.id)}`}>
        Here{' '}
        {shown.map(([rule, says], i) => {
          const said = (rules as Record<string, string | boolean | undefined>)[rule];
          return (
            <span key={rule}>
              {i === 0 ? says.replace(/^[,;] /, '') : says}{' '}
              <EditableChoice
                label={`Here, ${nameOf(rule)}`}
                value={said === undefined ? '' : String(said)}
                options={[{ value: '', words: asWhole }, ...choices(rule)]}
                disabled={readOnly}
                onChange={(picked) => put(rule, chosen(rule, picked))}
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
