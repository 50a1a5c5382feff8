import { Link } from 'react-router';
import { rungs } from '../../kinds/facts.gen';
import { count, figure, points } from '../../parts/text/figures';
import { EditableChoice, Editable } from '../../parts/fields/Editable';
import { cellOf } from '../bank/board/coverage';
import type { Blueprint, Edited } from './usePlan';
import { minutes, passMark, sittings, why } from './typed';

const rungOptions = rungs.map((value) => ({ value, words: value }));

/** What is proved of every form: questions, points, shortage, pass mark; and the rules as sentences. */
export function ProofMargin(props: { blueprint: Blueprint; edited: Edited; onChange: (part: Partial<Edited>) => void; readOnly: boolean }) {
  const { blueprint, edited, onChange, readOnly } = props;
  const { proof } = blueprint;
  return (
    <div className="space-y-4">
      <p>
        <b className="fig">{proof.questions}</b> {proof.questions === 1 ? 'question' : 'questions'},{' '}
        {proof.shortage ? (
          <>no form yet</>
        ) : proof.least === proof.most ? (
          <>
            <b className="fig">{figure(proof.most)}</b> {points(proof.most)} in every form
          </>
        ) : (
          <>
            forms are worth <b className="fig">{figure(proof.least)}</b> to <b className="fig">{figure(proof.most)}</b> points
          </>
        )}
      </p>
      {proof.problem && <p className="text-wrong">{proof.problem}</p>}
      {proof.shortage ? <Shortage blueprint={blueprint} /> : <Exposure blueprint={blueprint} edited={edited} />}
      <section>
        <h2 className="head">pass mark</h2>
        <PassMark blueprint={blueprint} edited={edited} onChange={onChange} readOnly={readOnly} />
      </section>
      <RulesSentences edited={edited} onChange={onChange} readOnly={readOnly} />
    </div>
  );
}

function Shortage({ blueprint }: { blueprint: Blueprint }) {
  const { shortage } = blueprint.proof;
  if (!shortage) return null;
  const draws = blueprint.plan.steps.filter((step) => step.draw);
  const cell = shortage.draws.length === 1 ? cellOf(draws[(shortage.draws[0] ?? 1) - 1] ?? {}) : null;
  const row = blueprint.board.rows.find((r) => r.objective.path === cell?.path);
  return (
    <p className="text-wrong" role="alert">
      {shortage.words} {count(shortage.ask - shortage.fit, 'question is', 'questions are')} missing: no form can be dealt.{' '}
      {cell && row && (
        <Link className="act" to={`/banks/${blueprint.bank.id}/questions?objective=${row.objective.id}&kind=${cell.kind}`}>
          See what there is
        </Link>
      )}
    </p>
  );
}

function Exposure({ blueprint, edited }: { blueprint: Blueprint; edited: Edited }) {
  const full = blueprint.proof.draws.filter((draw) => draw.take >= draw.fit);
  if (blueprint.proof.questions === 0) return null;
  return full.length === 0 ? (
    <p>Every form that is dealt is balanced: {count(edited.plan.steps.length, 'step')}, the same numbers for every candidate.</p>
  ) : (
    <p>
      {full.map((draw) => `“${draw.words}”`).join(', ')} {full.length === 1 ? 'has' : 'have'} exactly what is asked: every candidate sees
      the same.
    </p>
  );
}

function PassMark({
  blueprint,
  edited,
  onChange,
  readOnly,
}: {
  blueprint: Blueprint;
  edited: Edited;
  onChange: (part: Partial<Edited>) => void;
  readOnly: boolean;
}) {
  const pass = edited.plan.pass;
  const set = (typed: string) => {
    const found = passMark(typed);
    const { steps, apart } = edited.plan;
    const plan = { steps, ...(apart && { apart }) };
    if ('pass' in found) onChange({ plan: found.pass ? { ...plan, pass: found.pass } : plan });
  };
  const shown = pass?.percent ? `${pass.percent} %` : pass?.points ? `${pass.points} ${points(pass.points)}` : 'none';
  const proved = blueprint.proof.pass;
  return (
    <p>
      <Editable
        label="Pass mark, in percent or points"
        value={shown}
        width={12}
        disabled={readOnly}
        refuse={why(passMark)}
        onChange={set}
      />
      {proved && pass && (
        <>
          {pass.percent ? (
            <>
              , <b className="fig">{proved.points}</b> {points(proved.points)}
            </>
          ) : (
            proved.percent && (
              <>
                , <b className="fig">{proved.percent}</b> %
              </>
            )
          )}
          .{' '}
          {proved.reachable ? (
            'It can be reached.'
          ) : (
            <span className="text-wrong">It cannot be reached with these questions: lower it, or draw more.</span>
          )}
        </>
      )}
    </p>
  );
}

/** A rule that holds or does not, in words for both. */
function EitherWay({
  label,
  value,
  yes,
  no,
  disabled,
  onChange,
}: {
  label: string;
  value: boolean;
  yes: string;
  no: string;
  disabled: boolean;
  onChange: (value: boolean) => void;
}) {
  return (
    <EditableChoice
      label={label}
      value={value ? 'yes' : 'no'}
      options={[
        { value: 'no', words: no },
        { value: 'yes', words: yes },
      ]}
      disabled={disabled}
      onChange={(chosen) => onChange(chosen === 'yes')}
    />
  );
}

function RulesSentences({ edited, onChange, readOnly }: { edited: Edited; onChange: (part: Partial<Edited>) => void; readOnly: boolean }) {
  const { rules } = edited;
  const set = (part: Partial<typeof rules>) => onChange({ rules: { ...rules, ...part } });
  return (
    <section className="space-y-1">
      <h2 className="head">rules</h2>
      <p>
        <Editable
          label="Minutes for the whole, or no"
          value={rules.seconds === null ? 'no' : String(Math.round((rules.seconds / 60) * 100) / 100)}
          disabled={readOnly}
          refuse={why(minutes)}
          onChange={(typed) => {
            const found = minutes(typed);
            if ('seconds' in found) set({ seconds: found.seconds });
          }}
        />{' '}
        {rules.seconds === null ? 'time limit' : rules.seconds === 60 ? 'minute' : 'minutes'} ·{' '}
        <Editable
          label="Sittings for each candidate"
          value={rules.sittings === null ? 'any number of' : String(rules.sittings)}
          disabled={readOnly}
          refuse={why(sittings)}
          onChange={(typed) => {
            const found = sittings(typed);
            if ('sittings' in found) set({ sittings: found.sittings });
          }}
        />{' '}
        {rules.sittings === 1 ? 'sitting' : 'sittings'}
      </p>
      <p>
        feedback{' '}
        <EitherWay
          label="When feedback is given"
          value={rules.tellsAtOnce}
          yes="after each attempt"
          no="at the end"
          disabled={readOnly}
          onChange={(tellsAtOnce) => set({ tellsAtOnce })}
        />
      </p>
      <p>
        moving{' '}
        <EitherWay
          label="How candidates move"
          value={rules.forwardOnly}
          yes="forward only, a question a screen"
          no="in any order"
          disabled={readOnly}
          onChange={(forwardOnly) => set({ forwardOnly })}
        />
        ; a question{' '}
        <EitherWay
          label="Whether a question may be left blank"
          value={rules.mustAnswer}
          yes="must be answered"
          no="may be left blank"
          disabled={readOnly}
          onChange={(mustAnswer) => set({ mustAnswer })}
        />
      </p>
      {!rules.forwardOnly && (
        <p className="text-quiet">A question’s own time, refresher and where its choices lead hold only when one moves forward.</p>
      )}
      <p>
        Who passes sees{' '}
        <EditableChoice
          label="Who passes sees"
          value={rules.whoPassesSees}
          options={rungOptions}
          disabled={readOnly}
          onChange={(whoPassesSees) => set({ whoPassesSees })}
        />
        ; who does not sees{' '}
        <EditableChoice
          label="Who does not pass sees"
          value={rules.whoDoesNotSees}
          options={rungOptions}
          disabled={readOnly}
          onChange={(whoDoesNotSees) => set({ whoDoesNotSees })}
        />
        .
      </p>
    </section>
  );
}
