import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, dataOf, errorWords } from '../../api/client';
import { keys } from '../../api/keys';
import { Editable } from '../../parts/fields/Editable';
import { NotSaved } from '../../parts/NotSaved';
import { PageAndMargin, Row } from '../../parts/PageAndMargin';
import { count } from '../../parts/text/figures';
import { Waiting } from '../../parts/Waiting';
import { type Account, mayEdit } from '../people/session';
import { WhoMaySit } from './admission/WhoMaySit';
import { DealtForm } from './DealtForm';
import { type Blueprint, type DrawStep, inserted, replaced, stepOf } from './document';
import { Editions } from './editions/Editions';
import { DealMany } from './many/DealMany';
import { Apart } from './margin/Apart';
import { Guessing } from './margin/Guessing';
import { PassMark } from './margin/PassMark';
import { Proved } from './margin/Proved';
import { OpeningSentence } from './margin/OpeningSentence';
import { ReviewSentences } from './margin/ReviewSentences';
import { RulesSentences } from './margin/RulesSentences';
import { Shares } from './margin/Shares';
import { Tallies } from './margin/Tallies';
import { questionsIn } from './quota';
import { QuotaBoard } from './QuotaBoard';
import { RunningOrder } from './running/RunningOrder';
import { SaveAssessment } from './SaveAssessment';
import { useBlueprint } from './useBlueprint';
import { WholeText } from './WholeText';

/** The plan of an assessment: running order and quota board on the page, what is proved of its forms in the margin. */
export default function BlueprintPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const [writing, setWriting] = useState(false);
  const blueprint = useQuery({
    queryKey: keys.blueprint(id),
    queryFn: async () => {
      const told: unknown = await dataOf(api.GET('/blueprints/{id}', { params: { path: { id } } }));
      return told as Blueprint;
    },
    gcTime: 0,
  });
  if (!blueprint.data) return <Waiting error={blueprint.error} retry={() => void blueprint.refetch()} />;
  // Written as text it is another sheet, with another version to build on.
  return (
    <BlueprintSheet
      key={`${id} ${writing ? 'text' : ''}`}
      blueprint={blueprint.data}
      account={account}
      writing={writing}
      onWriting={setWriting}
    />
  );
}

interface Props {
  blueprint: Blueprint;
  account: Account;
  writing: boolean;
  onWriting: (writing: boolean) => void;
}

function BlueprintSheet({ blueprint, account, writing, onWriting }: Props) {
  const navigate = useNavigate();
  const saving = useBlueprint(blueprint);
  const { document, change, error, isUnsaved, isSaving } = saving;
  const [seed, setSeed] = useState<number | null>(null);
  const [many, setMany] = useState(false);
  const readOnly = !mayEdit(account) || writing;
  const path = { params: { path: { id: blueprint.id } } };
  const rehearse = useMutation({
    mutationFn: (drafts: boolean) => dataOf(api.POST('/blueprints/{id}/rehearsals', { ...path, body: { drafts } })),
    onSuccess: (sitting) => void navigate(`/sittings/${sitting.id}`),
  });
  const latest = blueprint.editions.find((edition) => !edition.withdrawn);
  const next = (blueprint.editions[0]?.number ?? 0) + 1;
  const busy = isUnsaved || isSaving || rehearse.isPending;
  const show = (id: string) => {
    const handle = window.document.querySelector<HTMLElement>(`[data-of="step ${id}"]`);
    handle?.scrollIntoView({ block: 'center' });
    handle?.focus();
  };
  const say = (id: string, settings: NonNullable<DrawStep['settings']>) => {
    const step = stepOf(document, id)?.step;
    if (step && ('draw' in step || 'question' in step))
      change(replaced(document, id, { ...step, settings: { ...step.settings, ...settings } }));
  };
  const draw = (objective: string) => {
    const last = document.sections.at(-1);
    if (last)
      change(inserted(document, { section: last.id, index: last.steps.length }, { draw: { take: 1, pool: { objective } } }).document);
  };
  const parts = { blueprint, document, readOnly, onChange: change };
  return (
    <PageAndMargin label="Blueprint">
      <Row
        className="pt-4 pb-0!"
        page={
          <h1>
            <span className="title">
              {readOnly ? document.title : <TitleValue value={document.title} onChange={(title) => change({ ...document, title })} />}
            </span>{' '}
            <span className="path ml-2">
              {latest ? `edition ${latest.number} in use · changes go into edition ${next}` : 'no edition yet'} ·{' '}
              <span role="status">{error ? 'not saved' : isUnsaved || isSaving ? 'saving …' : 'saved'}</span>
              {!readOnly && (
                <>
                  {' · '}
                  <button className="act" disabled={!saving.can.undo} onClick={saving.undo}>
                    undo
                  </button>{' '}
                  <button className="act" disabled={!saving.can.redo} onClick={saving.redo}>
                    redo
                  </button>
                </>
              )}
            </span>
          </h1>
        }
        margin={
          <>
            <p className="flex flex-wrap items-baseline gap-x-4">
              <button className="btn main" disabled={busy} onClick={() => rehearse.mutate(false)}>
                Rehearse
              </button>
              <button className="act" disabled={busy} onClick={() => rehearse.mutate(true)}>
                with drafts, too
              </button>
            </p>
            <p className="acts mt-2">
              <button className="act" disabled={busy} onClick={() => setSeed((old) => (old ?? 0) + 1)}>
                Deal a form
              </button>
              {mayEdit(account) && (
                <button className="act" disabled={busy} onClick={() => setMany(true)}>
                  Deal 10,000
                </button>
              )}
            </p>
            {rehearse.error && (
              <p className="notice mt-2" role="alert">
                {errorWords(rehearse.error)}
              </p>
            )}
            <NotSaved saving={saving}>
              {(theirs) => (
                <p>
                  The newer one: {theirs.title}, {count(theirs.proof.questions, 'question')}. Yours: {document.title},{' '}
                  {count(questionsIn(document), 'question')}.
                </p>
              )}
            </NotSaved>
          </>
        }
      />
      <Row
        className="pt-2"
        page={
          <>
            {seed !== null && (
              <DealtForm blueprint={blueprint} document={document} seed={seed} onSeed={setSeed} onClose={() => setSeed(null)} />
            )}
            {many && <DealMany blueprint={blueprint} onClose={() => setMany(false)} />}
            {writing ? (
              <WholeText key={blueprint.version} blueprint={blueprint} />
            ) : (
              <>
                <RunningOrder {...parts} />
                <h2 className="mt-5 mb-1">
                  <span className="head">quota board</span>{' '}
                  <span className="path">type a number; each becomes a draw from the cleared questions</span>
                </h2>
                <QuotaBoard {...parts} />
              </>
            )}
            {mayEdit(account) && (
              <p className="mt-5 mb-2">
                <button className="act" aria-expanded={writing} disabled={busy} onClick={() => onWriting(!writing)}>
                  {writing ? 'back to the running order' : 'write it as text'}
                </button>
              </p>
            )}
          </>
        }
        margin={
          <div className="space-y-4">
            {mayEdit(account) && <Editions blueprint={blueprint} versionRef={saving.versionRef} busy={busy} />}
            <Proved blueprint={blueprint} document={document} onShow={show} {...(!readOnly && { onSay: say, onDraw: draw })} />
            {mayEdit(account) && <WhoMaySit blueprint={blueprint.id} />}
            <PassMark {...parts} />
            <Shares {...parts} />
            {mayEdit(account) && document.pass && !busy && <Guessing blueprint={blueprint.id} version={blueprint.version} />}
            <RulesSentences {...parts} />
            <OpeningSentence bank={blueprint.bank.id} {...parts} {...(!busy && { seen: blueprint.id })} />
            <ReviewSentences bank={blueprint.bank.id} {...parts} />
            <Tallies bank={blueprint.bank.id} spans={blueprint.proof.tallies} {...parts} />
            <Apart {...parts} />
            {!busy && <SaveAssessment blueprint={blueprint.id} version={blueprint.version} archive={mayEdit(account)} />}
          </div>
        }
      />
    </PageAndMargin>
  );
}

function TitleValue({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  return (
    <span className="[&_.value]:font-reading [&_.value]:font-medium!">
      <Editable plain label="Title" width={30} value={value} onChange={onChange} />
    </span>
  );
}
