import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { type SubmitEvent, useState } from 'react';
import { Link, useNavigate } from 'react-router';
import { api, errorWords, dataOf, type Schema } from '../../api/client';
import { keys } from '../../api/keys';
import { banksQuery } from '../../api/queries';
import { Row, PageAndMargin } from '../../parts/PageAndMargin';
import { Waiting } from '../../parts/Waiting';
import { TopBar } from '../../TopBar';
import { isOver, JobProgress, useJob } from '../background/JobProgress';
import { bankOut, manyQuestions } from '../background/out';
import { SaveFile } from '../background/SaveFile';
import { type Account, mayEdit } from '../people/session';
import { FromArchive } from './FromArchive';

type Bank = Schema['BankRow'];

/** All banks with what they hold: the first screen of whoever has several. */
export default function BanksPage({ account }: { account: Account }) {
  const queries = useQueryClient();
  const navigate = useNavigate();
  const banks = useQuery(banksQuery());
  const taken = (list: Schema['Banks']) => queries.setQueryData(keys.banks(), list);
  const make = useMutation({
    mutationFn: (name: string) => dataOf(api.POST('/banks', { body: { name } })),
    onSuccess: (list) => {
      taken(list);
      void navigate(`/banks/${list.made ?? ''}`);
    },
  });
  const change = useMutation({
    mutationFn: ({ bank, ...body }: { bank: Bank; name?: string; putAway?: boolean }) =>
      dataOf(api.PUT('/banks/{id}', { params: { path: { id: bank.id } }, body: { ...body, version: bank.version } })),
    onSuccess: taken,
    onError: () => banks.refetch(),
  });
  const copy = useMutation({
    mutationFn: ({ bank, name }: { bank: Bank; name: string }) =>
      dataOf(api.POST('/banks/{id}/copy', { params: { path: { id: bank.id } }, body: { name } })),
    onSuccess: () => banks.refetch(),
  });
  const copying = useJob(copy.data, () => void banks.refetch());
  if (!banks.data) return <Waiting error={banks.error} retry={() => void banks.refetch()} />;
  const { banks: list } = banks.data;
  const may = mayEdit(account);
  const error = make.error ?? change.error ?? copy.error;
  return (
    <>
      <TopBar account={account} title="Banks" />
      <PageAndMargin label="Banks">
        <Row className="pt-5 pb-3" page={<h1 className="title">Banks of questions</h1>} />
        <Row
          className="pb-6"
          page={
            list.length === 0 ? (
              <p>{may ? 'There is no bank yet. Give the first one a name, beside this.' : 'There is no bank yet. An author makes one.'}</p>
            ) : (
              <Table
                list={list}
                may={may}
                onChange={(bank, part) => change.mutate({ bank, ...part })}
                onCopy={(bank, name) => copy.mutate({ bank, name })}
              />
            )
          }
          margin={
            <>
              {may && <Make pending={make.isPending} onMake={(name) => make.mutate(name)} />}
              {may && (
                <FromArchive
                  onRestored={(bank) => {
                    void banks.refetch();
                    void navigate(`/banks/${bank}`);
                  }}
                />
              )}
              {copying && !isOver(copying) && <JobProgress job={copying} doing="Copying" />}
              {error && (
                <p className="notice mt-2" role="alert">
                  {errorWords(error)}
                </p>
              )}
            </>
          }
        />
      </PageAndMargin>
    </>
  );
}

function Table(props: {
  list: Bank[];
  may: boolean;
  onChange: (bank: Bank, part: { name?: string; putAway?: boolean }) => void;
  onCopy: (bank: Bank, name: string) => void;
}) {
  const { list, may, onChange, onCopy } = props;
  const [renaming, setRenaming] = useState<number | null>(null);
  const [copying, setCopying] = useState<number | null>(null);
  return (
    <div className="overflow-x-auto">
      <table className="ledger">
        <thead>
          <tr>
            {['bank', 'cleared / all', 'in review', 'blueprints', ...(may ? [''] : [])].map((head) => (
              <th key={head} scope="col" className="whitespace-nowrap">
                {head}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {list.map((bank) => (
            <tr key={bank.id} className={bank.putAway ? 'text-quiet' : ''}>
              <th scope="row">
                {renaming === bank.id ? (
                  <NameOf
                    label={`Name of ${bank.name}`}
                    name={bank.name}
                    onDone={(name) => {
                      setRenaming(null);
                      if (name !== bank.name) onChange(bank, { name });
                    }}
                  />
                ) : (
                  <Link className="act mr-3" to={`/banks/${bank.id}`}>
                    {bank.name}
                  </Link>
                )}
                {bank.putAway && 'put away'}
                {copying === bank.id && (
                  <span className="block pt-1">
                    its copy is called{' '}
                    <NameOf
                      label={`Name of the copy of ${bank.name}`}
                      name={`${bank.name}, copy`}
                      onDone={(name, taken) => {
                        setCopying(null);
                        if (taken) onCopy(bank, name);
                      }}
                    />
                  </span>
                )}
              </th>
              <td className="c">
                {bank.cleared}
                <small>/{bank.questions}</small>
              </td>
              <td className="c">{bank.inReview || '·'}</td>
              <td className="c">{bank.blueprints || '·'}</td>
              {may && (
                <td className="pl-4 whitespace-nowrap">
                  <button className="act mr-4" onClick={() => setRenaming(bank.id)}>
                    rename
                  </button>
                  <button className="act mr-4" onClick={() => setCopying(bank.id)}>
                    copy
                  </button>
                  <SaveFile
                    className="act mr-4"
                    href={`/api/banks/${bank.id}/archive`}
                    label={`Save ${bank.name} as archive`}
                    isLong={bank.questions > manyQuestions}
                    begin={() => bankOut(bank.id, 'archive')}
                  >
                    save as archive
                  </SaveFile>
                  <button className="act" onClick={() => onChange(bank, { putAway: !bank.putAway })}>
                    {bank.putAway ? 'take out again' : 'put away'}
                  </button>
                </td>
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Enter takes the name, and so does leaving, if it was changed; Escape keeps the old one. */
function NameOf(props: { label: string; name: string; onDone: (name: string, taken: boolean) => void }) {
  const { label, onDone } = props;
  const [name, setName] = useState(props.name);
  const end = (typed: string, taken: boolean) => onDone(typed.trim() || props.name, taken);
  return (
    <input
      className="field mr-3 w-56 max-w-full"
      aria-label={label}
      maxLength={160}
      value={name}
      ref={(input) => {
        if (input && document.activeElement !== input) input.select();
      }}
      onChange={(e) => setName(e.target.value)}
      onBlur={() => end(name, name !== props.name)}
      onKeyDown={(e) => {
        if (e.key === 'Enter') end(name, true);
        if (e.key === 'Escape') end(props.name, false);
      }}
    />
  );
}

function Make({ pending, onMake }: { pending: boolean; onMake: (name: string) => void }) {
  const [name, setName] = useState('');
  const submit = (e: SubmitEvent) => {
    e.preventDefault();
    if (name.trim() !== '') onMake(name);
  };
  return (
    <form onSubmit={submit}>
      <label className="block">
        A new bank, called
        <input className="field mt-1 w-full" maxLength={160} value={name} onChange={(e) => setName(e.target.value)} />
      </label>
      <button className="act mt-2" disabled={pending}>
        Make this bank
      </button>
      <p className="pt-3 text-quiet">
        A bank has its own questions, objectives, pages and blueprints. One that is put away keeps all it has.
      </p>
    </form>
  );
}
