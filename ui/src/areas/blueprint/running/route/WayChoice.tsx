import { sectionWords } from '../words';
import { EditableChoice } from '../../../../parts/fields/Editable';
import { type Document, numbered } from '../../document';

interface Props {
  label: string;
  document: Document;
  /** the number of the step it leads from; ways lead forward only */
  from: number;
  value: string;
  readOnly: boolean;
  onChange: (to: string) => void;
}

/** A place further on to lead to: what follows, a later step by its number, or the end. */
export function WayChoice({ label, document, from, value, readOnly, onChange }: Props) {
  const all = numbered(document);
  const options = [
    { value: 'next', words: 'what follows' },
    ...all
      .filter(({ number }) => number > from)
      .map(({ step, number }) => ({ value: step.id, words: `step ${number}, ${shortWords(step)}` })),
    { value: 'end', words: 'the end' },
  ];
  const known = options.some((option) => option.value === value);
  const section = document.sections.find(({ id }) => id === value);
  const first = section && all.find((at) => at.section.id === section.id);
  return (
    <EditableChoice
      label={label}
      value={value}
      options={
        known
          ? options
          : [
              ...options,
              { value, words: first ? `step ${first.number}, where ${sectionWords(document, section.id)} begins` : 'nowhere any more' },
            ]
      }
      disabled={readOnly}
      onChange={onChange}
    />
  );
}

function shortWords(step: ReturnType<typeof numbered>[number]['step']): string {
  if ('page' in step) return `the page ${step.page}`;
  if ('question' in step) return step.question;
  if ('draw' in step) return `a draw of ${step.draw.take}`;
  return 'a checkpoint';
}
