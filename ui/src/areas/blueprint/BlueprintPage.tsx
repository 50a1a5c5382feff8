import { keys } from '../../api/keys';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useParams } from 'react-router';
import { api, errorWords, dataOf } from '../../api/client';
import { count } from '../../parts/text/figures';
import { NotSaved } from '../../parts/NotSaved';
import { Row, PageAndMargin } from '../../parts/PageAndMargin';
import { Confirm } from '../../parts/fields/Confirm';
import { Editable } from '../../parts/fields/Editable';
import { Waiting } from '../../parts/Waiting';
import { type Account, mayEdit } from '../people/session';
import { DealtForm } from './DealtForm';
import { Editions } from './Editions';
import { type Blueprint, questionsIn, usePlan } from './usePlan';
import { ProofMargin } from './ProofMargin';
import { QuotaBoard } from './QuotaBoard';
import { DrawFromPool, RunningOrder } from './RunningOrder';
import { SaveAsPackage } from './SaveAsPackage';
import { WholeSteps } from './WholeSteps';
import { WholeText } from './WholeText';

/** The plan of an assessment: running order and quota board on the page, what is proved of its forms in the margin. */
export default function BlueprintPage({ account }: { account: Account }) {
  const id = Number(useParams().id);
  const blueprint = useQuery({
    queryKey: keys.blueprint(id),
    queryFn: () => dataOf(api.GET('/blueprints/{id}', { params: { path: { id } } })),
    gcTime: 0,
  });
  if (!blueprint.data) return <Waiting error={blueprint.error} retry={() => void blueprint.refetch()} />;
  // Written as a whole it is another sheet, with another version to build on.
  return (
    <BlueprintSheet key={`${id} ${blueprint.data.isWhole ? blueprint.data.version : ''}`} blueprint={blueprint.data} account={account} />
  );
}

function BlueprintSheet({ blueprint, account }: { blueprint: Blueprint; account: Account }) {
  const navigate = useNavigate();
  const saving = usePlan(blueprint);
  const { value: edited, change, error, isUnsaved, isSaving } = saving;
  const [seed, setSeed] = useState<number | null>(null);
  const [writing, setWriting] = useState(false);
  const whole = blueprint.isWhole;
  const readOnly = !mayEdit(account);
  const path = { params: { path: { id: blueprint.id } } };
  const rehearse = useMutation({
    mutationFn: (drafts: boolean) => dataOf(api.POST('/blueprints/{id}/rehearsals', { ...path, body: { drafts } })),
    onSuccess: (sitting) => void navigate(`/sittings/${sitting.id}`),
  });
  const latest = blueprint.editions.find((edition) => !edition.withdrawn);
  const next = (blueprint.editions[0]?.number ?? 0) + 1;
  const busy = isUnsaved || isSaving || rehearse.isPending;
  const failed = rehearse.error;
  return (
    <PageAndMargin label="Blueprint">
      <Row
        className="pt-4 pb-0!"
        page={
          <h1>
            <span className="title">
              {readOnly || whole ? blueprint.title : <TitleValue value={edited.title} onChange={(title) => change({ title })} />}
            </span>{' '}
            <span className="path ml-2">
              {latest ? `edition ${latest.number} in use · changes go into edition ${next}` : 'no edition yet'} ·{' '}
              <span role="status">{error ? 'not saved' : isUnsaved || isSaving ? 'saving …' : 'saved'}</span>
            </span>
          </h1>
        }
        margin={
          <>
            <p className="flex flex-wrap items-baseline gap-x-4 gap-y-2">
              <button className="btn main" disabled={busy} onClick={() => rehearse.mutate(false)}>
                Rehearse
              </button>
              <button className="act" disabled={busy} onClick={() => rehearse.mutate(true)}>
                with drafts, too
              </button>
              <button className="act" disabled={busy} onClick={() => setSeed((old) => (old ?? 0) + 1)}>
                Deal a form
              </button>
            </p>
            {failed && (
              <p className="notice mt-2" role="alert">
                {errorWords(failed)}
              </p>
            )}
            <NotSaved saving={saving}>
              {(theirs) => (
                <p>
                  The newer one: {theirs.title}, {count(theirs.proof.questions, 'question')}. Yours: {edited.title},{' '}
                  {count(questionsIn(edited.plan), 'question')}.
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
            {seed !== null && <DealtForm blueprint={blueprint} seed={seed} onSeed={setSeed} onClose={() => setSeed(null)} />}
            {whole ? (
              <>
                <WholeSteps blueprint={blueprint} />
                {!readOnly && <WholeText key={blueprint.version} blueprint={blueprint} />}
              </>
            ) : (
              <>
                <RunningOrder blueprint={blueprint} plan={edited.plan} readOnly={readOnly} onChange={(plan) => change({ plan })} />
                {!readOnly && <DrawFromPool blueprint={blueprint} plan={edited.plan} onChange={(plan) => change({ plan })} />}
                <h2 className="mt-5 mb-1">
                  <span className="head">quota board</span>{' '}
                  <span className="path">type a number; each becomes a draw from the cleared questions</span>
                </h2>
                <QuotaBoard blueprint={blueprint} plan={edited.plan} readOnly={readOnly} onChange={(plan) => change({ plan })} />
                {!readOnly && (
                  <p className="mt-5 mb-2">
                    <button className="act" aria-expanded={writing} disabled={busy} onClick={() => setWriting(!writing)}>
                      {writing ? 'put the text away' : 'write it as a whole'}
                    </button>{' '}
                    <span className="path">sections with their time, pages, checkpoints, tallies, closing pages</span>
                  </p>
                )}
                {writing && !busy && <WholeText key={blueprint.version} blueprint={blueprint} />}
              </>
            )}
          </>
        }
        margin={
          <>
            {!readOnly && <Editions blueprint={blueprint} versionRef={saving.versionRef} busy={busy} />}
            <ProofMargin blueprint={blueprint} edited={edited} onChange={change} readOnly={readOnly || whole} />
            {!busy && <SaveAsPackage blueprint={blueprint.id} version={saving.versionRef.current} />}
            {whole && !readOnly && (
              <div className="mt-4">
                <Confirm
                  ask="back to the quota board"
                  act="keep draws, pass mark and rules, and let go of all else"
                  pending={busy}
                  error={null}
                  onSure={() => change({ title: blueprint.title })}
                />
              </div>
            )}
          </>
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
