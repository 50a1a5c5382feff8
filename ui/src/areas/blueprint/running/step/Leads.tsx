import { EditableChoice } from '../../../../parts/fields/Editable';
import { type Blueprint, type Document, type QuestionStep, type Step, without } from '../../document';
import { usePageOptions } from '../../usePageOptions';
import { WayChoice } from '../route/WayChoice';
import { choiceWords } from '../words';

interface Props {
  step: QuestionStep;
  from: number;
  blueprint: Blueprint;
  document: Document;
  readOnly: boolean;
  onPut: (step: Step) => void;
}

/** Where each choice of a question leads: to a page of its own, then to a place further on. */
export function Leads({ step, from, blueprint, document, readOnly, onPut }: Props) {
  const options = usePageOptions(blueprint.bank.id, 'no page of its own');
  const choices = blueprint.questions[step.question]?.choices ?? [];
  const leads = step.leads ?? {};
  if (choices.length === 0 || (readOnly && Object.keys(leads).length === 0)) return null;
  const put = (choice: number, page: string, then: string) => {
    const others = without(leads as Record<string, { page?: string; then?: string } | null>, String(choice));
    const lead = { ...(page !== '' && { page }), ...(then !== 'next' && { then }) };
    const next = Object.keys(lead).length > 0 ? { ...others, [choice]: lead } : others;
    onPut(Object.keys(next).length > 0 ? { ...step, leads: next } : without(step, 'leads'));
  };
  const isOpen = Object.keys(leads).length > 0;
  return (
    <details open={isOpen}>
      <summary className="act w-fit cursor-pointer">where its choices lead</summary>
      <ul className="mt-1 space-y-1">
        {choices.map((_, i) => {
          const lead = (leads as Record<string, { page?: string; then?: string } | null>)[i + 1];
          const [page, then] = [lead?.page ?? '', lead?.then ?? 'next'];
          const words = choiceWords(step.question, i + 1, { document, questions: blueprint.questions });
          return (
            <li key={i}>
              {words}:{' '}
              <EditableChoice
                label={`The page that ${words} leads to`}
                value={page}
                options={options}
                disabled={readOnly}
                onChange={(next) => put(i + 1, next, then)}
              />
              , then{' '}
              <WayChoice
                label={`Where ${words} leads`}
                document={document}
                from={from}
                value={then}
                readOnly={readOnly}
                onChange={(next) => put(i + 1, page, next)}
              />
            </li>
          );
        })}
      </ul>
    </details>
  );
}
