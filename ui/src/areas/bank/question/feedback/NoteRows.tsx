import type { Schema } from '../../../../api/client';
import { NumberedText } from './NumberedText';
import { Row } from '../../../../parts/PageAndMargin';
import { useAdded } from '../../../../parts/hooks/useAdded';
import { EditableChoice } from '../../../../parts/fields/Editable';
import { choicesOf, type Content } from '../../../../kinds/content';
import { outcomes } from '../../../../kinds/facts.gen';
import { kindFacts } from '../../../../kinds/registry';

type Note = Schema['Note'];
type Condition = Schema['Condition'];

/** What can come of a response that is judged. */
const judged = outcomes.filter((outcome) => outcome !== 'recorded');

/** The two words of a claim say nothing of their own. */
const choicesToName = (content: Content) => (kindFacts(content).isStatement ? [] : choicesOf(content));

interface Props {
  content: Content;
  readOnly: boolean;
  edit: (make: (content: Content) => Content) => void;
}

/** Extra notes: said besides, when what is chosen here holds. */
export function NoteRows({ content, readOnly, edit }: Props) {
  const notes = content.notes ?? [];
  const put = (i: number, note: Note | null) =>
    edit((c) => ({ ...c, notes: note === null ? (c.notes ?? []).toSpliced(i, 1) : (c.notes ?? []).with(i, note) }));
  const { last, adding } = useAdded<HTMLTextAreaElement>();
  const [choice] = choicesToName(content);
  const first: Condition = choice ? { answer: choice.id, not: true } : { outcome: 'wrong' };
  return (
    <>
      {notes.map((note, i) => (
        <NumberedText
          key={i}
          ref={i === notes.length - 1 ? last : undefined}
          what="Note"
          n={i + 1}
          placeholder="what is said besides"
          readOnly={readOnly}
          text={note.text}
          onText={(text) => put(i, { ...note, text })}
          margin={<When note={note} i={i} content={content} readOnly={readOnly} put={put} />}
        />
      ))}
      {!readOnly && (
        <Row
          page={
            <button
              className="act"
              onClick={() => adding(() => edit((c) => ({ ...c, notes: [...(c.notes ?? []), { when: [[first]], text: '' }] })))}
            >
              {notes.length === 0 ? 'Say something in certain cases' : 'One more note'}
            </button>
          }
        />
      )}
    </>
  );
}

/** "when answer 2 is not chosen and wrong, or on attempt 2": sets joined by or, each of conditions joined by and. */
function When({
  note,
  i,
  content,
  readOnly,
  put,
}: {
  note: Note;
  i: number;
  content: Content;
  readOnly: boolean;
  put: (i: number, note: Note | null) => void;
}) {
  const set = (s: number, c: number, condition: Condition | null) => {
    const all = condition === null ? (note.when[s] ?? []).toSpliced(c, 1) : (note.when[s] ?? []).with(c, condition);
    const when = all.length === 0 ? note.when.toSpliced(s, 1) : note.when.with(s, all);
    if (when.length > 0) put(i, { ...note, when });
  };
  return (
    <p>
      when{' '}
      {note.when.map((all, s) => (
        <span key={s}>
          {s > 0 && <>; or </>}
          {all.map((condition, c) => (
            <span key={c}>
              {c > 0 && ' and '}
              <EditableChoice
                label={`Condition ${c + 1} of note ${i + 1}`}
                value={key(condition)}
                options={options(content, note.when.length > 1 || all.length > 1)}
                disabled={readOnly}
                onChange={(picked) => set(s, c, picked === '' ? null : (JSON.parse(picked) as Condition))}
              />
            </span>
          ))}
          {!readOnly && (
            <>
              {' '}
              <button className="act" onClick={() => put(i, { ...note, when: note.when.with(s, [...all, { outcome: 'wrong' }]) })}>
                and …
              </button>
            </>
          )}
        </span>
      ))}
      {!readOnly && (
        <>
          {' '}
          <button className="act" onClick={() => put(i, { ...note, when: [...note.when, [{ outcome: 'wrong' }]] })}>
            or …
          </button>{' '}
          <button className="act" onClick={() => put(i, null)}>
            take the note out
          </button>
        </>
      )}
    </p>
  );
}

/** One form for each condition, so that equal ones are found. */
const key = ({ not, answer, outcome, attempt, onLast }: Condition) =>
  JSON.stringify({
    ...(answer !== undefined && { answer }),
    ...(outcome && { outcome }),
    ...(attempt !== undefined && { attempt }),
    ...(onLast && { onLast }),
    ...(not && { not }),
  });

function options(content: Content, removable: boolean): { value: string; words: string }[] {
  const choices = choicesToName(content);
  const all: [Condition, string][] = [
    ...choices.flatMap(({ id }, n): [Condition, string][] => [
      [{ answer: id }, `answer ${n + 1} is chosen`],
      [{ answer: id, not: true }, `answer ${n + 1} is not chosen`],
    ]),
    ...judged.flatMap((outcome): [Condition, string][] => [
      [{ outcome }, outcome],
      [{ outcome, not: true }, `not ${outcome}`],
    ]),
    ...[1, 2, 3].map((attempt): [Condition, string] => [{ attempt }, `on attempt ${attempt}`]),
    [{ onLast: true }, 'on the last attempt'],
    [{ onLast: true, not: true }, 'not on the last attempt'],
  ];
  return [
    ...all.map(([condition, words]) => ({ value: key(condition), words })),
    ...(removable ? [{ value: '', words: 'without this condition' }] : []),
  ];
}
