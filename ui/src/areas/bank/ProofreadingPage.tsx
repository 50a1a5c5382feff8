import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, take } from '../../api/client';
import { count } from '../../parts/figures';
import { Row, Sheet } from '../../parts/Sheet';
import { Waiting } from '../../parts/Waiting';
import { remember } from './list';

/** What the proofreader notices over a whole bank, question by question; one rule at a time if wanted. */
export default function ProofreadingPage() {
  const bank = Number(useParams().bank);
  const [rule, setRule] = useState<string | null>(null);
  const proofs = useQuery({
    queryKey: ['proofreading', bank],
    queryFn: () => take(api.GET('/banks/{id}/proofreading', { params: { path: { id: bank } } })),
    staleTime: 0,
  });
  if (!proofs.data) return <Waiting error={proofs.error} retry={() => void proofs.refetch()} />;
  const open = proofs.data.questions
    .map((q) => ({ ...q, notes: q.notes.filter((note) => note.waved === null) }))
    .filter((q) => q.notes.length > 0);
  const byRule = new Map<string, number>();
  for (const note of open.flatMap((q) => q.notes)) byRule.set(note.rule, (byRule.get(note.rule) ?? 0) + 1);
  const rules = [...byRule].sort((a, b) => b[1] - a[1]);
  const shown =
    rule === null
      ? open
      : open.map((q) => ({ ...q, notes: q.notes.filter((note) => note.rule === rule) })).filter((q) => q.notes.length > 0);
  const goOn = () => remember({ ids: shown.map((q) => q.id), words: 'with notes', path: `/banks/${bank}/proofreading` });
  return (
    <Sheet label="Proofreading">
      <Row
        className="pt-5"
        page={
          <>
            <h1 className="title">Proofreading</h1>
            <p>
              {count(proofs.data.read, 'question')} read, {count(open.length, 'question')} with notes that nobody has waved off.
            </p>
            <p className="acts pt-1">
              {rules.map(([name, n]) => (
                <button
                  key={name}
                  className={rule === name ? 'value' : 'act'}
                  aria-pressed={rule === name}
                  onClick={() => setRule(rule === name ? null : name)}
                >
                  {name} {n}
                </button>
              ))}
            </p>
          </>
        }
        margin={<p>Notes are about how a question is written, not about what it asks. Each can be waved off at its line, with a reason.</p>}
      />
      {shown.map((question) => (
        <Row
          key={question.id}
          line
          page={
            <p>
              <Link className="act" to={`/banks/${bank}/questions/${question.id}`} onClick={goOn}>
                {question.excerpt || 'no stem yet'}
              </Link>{' '}
              <span className="text-quiet">
                {question.kind}
                {question.name && `, ${question.name}`}
              </span>
            </p>
          }
          margin={question.notes.map((note, i) => (
            <p key={i} title={`${note.reason} ${note.remedy}`}>
              <span className="text-quiet">{note.where}: </span>
              {note.message}
            </p>
          ))}
        />
      ))}
      {shown.length === 0 && <Row className="pt-3" page={<p className="text-soft">Nothing to note.</p>} />}
    </Sheet>
  );
}
