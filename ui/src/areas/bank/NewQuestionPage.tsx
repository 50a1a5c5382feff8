import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useEffect, useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, inWords, take } from '../../api/client';
import { Row, Sheet } from '../../parts/Sheet';
import { type Content, type Draft, tidy } from './draft';
import { Editor } from './Editor';

const kinds: { kind: Content['kind']; words: string[] }[] = [
  { kind: 'one', words: ['one', 'multiple choice'] },
  { kind: 'several', words: ['several', 'multiple response'] },
  { kind: 'claim', words: ['claim', 'true or false'] },
  { kind: 'text', words: ['text', 'short text'] },
  { kind: 'number', words: ['number', 'numeric'] },
];

function empty(kind: Content['kind']): Content {
  const base: Content = { v: 1, kind, stem: '' };
  if (kind === 'text') return { ...base, wordings: [{ text: '' }] };
  if (kind === 'number') return { ...base, spans: [{ span: '' }] };
  if (kind === 'claim')
    return {
      ...base,
      choices: [
        { id: 1, text: 'true', key: true },
        { id: 2, text: 'false', key: false },
      ],
    };
  return { ...base, settings: { shuffle: 'yes' }, choices: [1, 2, 3].map((id) => ({ id, text: '', key: id === 1 })) };
}

const shelf = 'zetema:new-question';

/** A new question: its kind is typed or picked in one line, then it is written like any other. */
export default function NewQuestionPage() {
  const bank = Number(useParams().bank);
  const navigate = useNavigate();
  const queries = useQueryClient();
  const [draft, setDraft] = useState<Draft | null>(() => {
    const kept = localStorage.getItem(shelf);
    return kept === null ? null : (JSON.parse(kept) as Draft);
  });
  useEffect(() => {
    if (draft) localStorage.setItem(shelf, JSON.stringify(draft));
  }, [draft]);
  const make = useMutation({
    mutationFn: (body: Draft) =>
      take(api.POST('/banks/{id}/questions', { params: { path: { id: bank } }, body: { ...body, content: tidy(body.content) } })),
    onSuccess: (question) => {
      localStorage.removeItem(shelf);
      for (const key of ['board', 'questions']) void queries.invalidateQueries({ queryKey: [key, bank] });
      void navigate(`/banks/${bank}/questions/${question.id}`, { replace: true });
    },
  });
  const discard = () => {
    localStorage.removeItem(shelf);
    setDraft(null);
  };
  return (
    <Sheet label="A new question">
      {draft === null ? (
        <KindLine onPick={(kind) => setDraft({ name: '', objective: '', content: empty(kind) })} />
      ) : (
        <Editor
          draft={draft}
          margin={null}
          onChange={setDraft}
          readOnly={false}
          lead=" · new"
          status={
            <>
              <p>
                <button className="btn main" disabled={make.isPending} onClick={() => make.mutate(draft)}>
                  Keep this question
                </button>{' '}
                &ensp;
                <button className="act" onClick={discard}>
                  Throw it away
                </button>
              </p>
              {make.error ? (
                <p className="notice mt-2" role="alert">
                  {inWords(make.error)}
                </p>
              ) : (
                <p className="mt-1">Not in the bank yet; what you type is kept in this browser.</p>
              )}
            </>
          }
        />
      )}
    </Sheet>
  );
}

function KindLine({ onPick }: { onPick: (kind: Content['kind']) => void }) {
  const [typed, setTyped] = useState('');
  const fitting = kinds.filter(({ words }) => words.some((word) => word.startsWith(typed.trim().toLowerCase())));
  return (
    <Row
      className="pt-5"
      page={
        <form
          onSubmit={(e) => {
            e.preventDefault();
            if (fitting[0]) onPick(fitting[0].kind);
          }}
        >
          <label className="title flex flex-wrap items-baseline gap-3">
            What sort of question?
            <input
              className="field w-56 font-interface text-base"
              placeholder="type its kind, then Enter"
              value={typed}
              onChange={(e) => setTyped(e.target.value)}
              ref={(input) => input?.focus()}
            />
          </label>
          <p className="mt-4 flex flex-wrap gap-x-5 gap-y-2">
            {fitting.map(({ kind, words }) => (
              <button key={kind} type="button" className="act" onClick={() => onPick(kind)}>
                {words.join(', ')}
              </button>
            ))}
            {fitting.length === 0 && <span className="notice">There is no such kind.</span>}
          </p>
        </form>
      }
      margin={<p>Nothing is put into the bank before you keep it.</p>}
    />
  );
}
