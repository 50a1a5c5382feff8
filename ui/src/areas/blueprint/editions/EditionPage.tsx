import { useChanged } from '../../../api/changed';
import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link, useNavigate, useParams } from 'react-router';
import { api, dataOf, errorWords, type Schema } from '../../../api/client';
import { keys } from '../../../api/keys';
import { EditableChoice } from '../../../parts/fields/Editable';
import { PageAndMargin, Row } from '../../../parts/PageAndMargin';
import { count } from '../../../parts/text/figures';
import { day } from '../../../parts/text/moments';
import { Waiting } from '../../../parts/Waiting';
import { type Account, mayEdit } from '../../people/session';
import type { Blueprint } from '../document';
import { Apart } from '../margin/Apart';
import { PassMark } from '../margin/PassMark';
import { OpeningSentence } from '../margin/OpeningSentence';
import { ReviewSentences } from '../margin/ReviewSentences';
import { RulesSentences } from '../margin/RulesSentences';
import { Shares } from '../margin/Shares';
import { Tallies } from '../margin/Tallies';
import { RunningOrder } from '../running/RunningOrder';
import { Differing } from './Differing';
import { StillSitting } from './StillSitting';

const nothing = () => undefined;

/** An edition as it was frozen, and in what it differs from another one or from what would be frozen now. */
export default function EditionPage({ account }: { account: Account }) {
  const id = Number(useParams().edition);
  const changed = useChanged();
  const navigate = useNavigate();
  const edition = useQuery({
    queryKey: keys.edition(id),
    queryFn: async () => {
      const told: unknown = await dataOf(api.GET('/editions/{id}', { params: { path: { id } } }));
      return told as { edition: Schema['Edition']; blueprint: Blueprint; running: number };
    },
  });
  const path = { params: { path: { id } } };
  const again = () => changed('editions');
  const close = useMutation({
    mutationFn: (body: { closed: boolean; sittings?: boolean }) => dataOf(api.PUT('/editions/{id}/closed', { ...path, body })),
    onSuccess: again,
  });
  const withdraw = useMutation({
    mutationFn: () => dataOf(api.DELETE('/editions/{id}', path)),
    onSuccess: (blueprint) => void navigate(`/banks/${blueprint.bank.id}/blueprints/${blueprint.id}`),
  });
  if (!edition.data) return <Waiting error={edition.error} retry={() => void edition.refetch()} />;
  const { edition: own, blueprint, running } = edition.data;
  const parts = { blueprint, document: blueprint.document, readOnly: true, onChange: nothing };
  const begun = blueprint.editions.find((one) => one.id === id)?.begun ?? 0;
  const error = close.error ?? withdraw.error;
  return (
    <PageAndMargin label="Edition">
      <Row
        className="pt-4 pb-0!"
        page={
          <h1>
            <span className="title">{blueprint.title}</span>{' '}
            <span className="path ml-2">
              edition {own.number}, frozen by {own.frozenBy} on {day(own.frozenAt)} ·{' '}
              <Link to={`/banks/${blueprint.bank.id}/blueprints/${blueprint.id}`}>as it is planned now</Link>
            </span>
          </h1>
        }
        margin={
          <>
            <p>
              {stateOf(own)} · {begun === 0 ? 'nobody has begun it' : `${count(begun, 'candidate has', 'candidates have')} begun it`}
            </p>
            {mayEdit(account) && !own.withdrawn && (
              <p className="acts">
                {own.closed ? (
                  <button className="act" disabled={close.isPending} onClick={() => close.mutate({ closed: false })}>
                    Open it again
                  </button>
                ) : (
                  <StillSitting
                    running={running}
                    words="Close it"
                    pending={close.isPending}
                    onClose={(sittings) => close.mutate({ closed: true, sittings })}
                  />
                )}
                {begun === 0 && (
                  <button className="act" disabled={withdraw.isPending} onClick={() => withdraw.mutate()}>
                    Withdraw it
                  </button>
                )}
              </p>
            )}
            {close.data && (
              <p role="status">
                {own.closed
                  ? running > 0
                    ? `Nobody can begin it any more; ${count(running, 'candidate goes', 'candidates go')} on. What is seen only once it closes is seen when the last of them has finished.`
                    : 'Nobody can begin it any more. What is seen only once it closes is seen now.'
                  : 'Candidates find it in their list again.'}
              </p>
            )}
            {error && (
              <p className="notice" role="alert">
                {errorWords(error)}
              </p>
            )}
          </>
        }
      />
      <Row
        className="pt-2"
        page={<RunningOrder {...parts} />}
        margin={
          <div className="space-y-4">
            <Compared edition={own} blueprint={blueprint} />
            <p>
              <b className="fig">{blueprint.proof.questions}</b> questions, <b className="fig">{spanOf(blueprint.proof)}</b> points in every
              form
            </p>
            <PassMark {...parts} />
            <Shares {...parts} />
            <RulesSentences {...parts} />
            <OpeningSentence bank={blueprint.bank.id} {...parts} />
            <ReviewSentences bank={blueprint.bank.id} {...parts} />
            <Tallies bank={blueprint.bank.id} spans={blueprint.proof.tallies} {...parts} />
            <Apart {...parts} />
          </div>
        }
      />
    </PageAndMargin>
  );
}

const spanOf = ({ least, most }: { least: string; most: string }) => (least === most ? least : `${least} to ${most}`);

/** What can become of an edition, in a word. */
export const stateOf = ({ withdrawn, closed }: { withdrawn: boolean; closed: boolean }) =>
  withdrawn ? 'withdrawn' : closed ? 'closed: nobody begins it any more' : 'open';

function Compared({ edition, blueprint }: { edition: Schema['Edition']; blueprint: Blueprint }) {
  const [to, setTo] = useState('now');
  const compared = useQuery({
    queryKey: keys.edition(edition.id, 'differences', to, blueprint.version),
    queryFn: () =>
      dataOf(
        api.GET('/editions/{id}/differences', { params: { path: { id: edition.id }, query: to === 'now' ? {} : { to: Number(to) } } }),
      ),
    staleTime: 0,
  });
  const options = [
    { value: 'now', words: 'as it is planned now' },
    ...blueprint.editions
      .filter(({ number }) => number !== edition.number)
      .map(({ number }) => ({ value: String(number), words: `edition ${number}` })),
  ];
  const differences = compared.data?.differences;
  return (
    <section aria-label="Compared">
      <h2 className="head">compared</h2>
      <div>
        From this one to <EditableChoice label="Compared with" value={to} options={options} onChange={setTo} />:
        {compared.error && <p className="text-wrong">{errorWords(compared.error)}</p>}
        {differences && <Differing bank={blueprint.bank.id} differences={differences} />}
      </div>
    </section>
  );
}
