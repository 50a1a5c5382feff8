import { useInfiniteQuery } from '@tanstack/react-query';
import { useRef, useState } from 'react';
import { Link, useParams } from 'react-router';
import { api, ApiError, dataOf } from '../../api/client';
import { EditableChoice } from '../../parts/fields/Editable';
import { useSettled } from '../../parts/hooks/useSettled';
import { PageAndMargin, Row } from '../../parts/PageAndMargin';
import { count, figure, points } from '../../parts/text/figures';
import { day, timeOfDay } from '../../parts/text/moments';
import { Waiting } from '../../parts/Waiting';
import { manySittings } from '../background/out';
import { SaveFile } from '../background/SaveFile';
import { type Kind, kinds, type Order, pageInSight, type Results, resultsQuery, useAsksAgain } from './results';
import { SittingsTable } from './SittingsTable';
import { Surveyed } from './Surveyed';

const tables = [
  { as: 'sittings' as const, words: 'Save the sittings as a table' },
  { as: 'responses' as const, words: 'Save every response as a table' },
];

/** What came of an edition: its sittings, running and ended, on the page; the whole of them in the margin. */
export default function ResultsPage() {
  const edition = Number(useParams().edition);
  const [kind, setKind] = useState<Kind>('all');
  const [name, setName] = useState('');
  const [order, setOrder] = useState<Order>({ by: 'began', down: true });
  const settled = useSettled(name, 250);
  const results = useInfiniteQuery(resultsQuery(edition, kind, settled, order));
  const list = useRef<HTMLDivElement>(null);
  useAsksAgain(edition, kind, settled, order, (pages) => pageInSight(list.current, pages));
  const isOthers = results.error instanceof ApiError && results.error.problem.status === 403;
  if (!results.data)
    return (
      <Waiting
        error={isOthers ? new Error('Results are seen by whoever made this assessment, that is, froze its first edition.') : results.error}
        retry={() => void results.refetch()}
        home={isOthers}
      />
    );
  const data = results.data.pages[0];
  if (!data) return null;
  const rows = results.data.pages.flatMap(({ sittings }) => sittings);
  const path = `/banks/${data.edition.bank}/blueprints/${data.edition.blueprint}`;
  return (
    <PageAndMargin label="Results">
      <Row
        className="pt-4 pb-2"
        page={
          <>
            <h1 className="pb-3">
              <span className="title">{data.edition.title}</span>{' '}
              <span className="path ml-2">
                results of <Link to={`${path}/editions/${data.edition.id}`}>edition {data.edition.number}</Link> ·{' '}
                <Link to={path}>the blueprint</Link>
              </span>
            </h1>
            {data.sums.sittings > 0 && (
              <p className="flex flex-wrap items-baseline gap-x-4 gap-y-1">
                <EditableChoice
                  label="Which sittings"
                  value={kind}
                  options={kinds.filter(({ value }) => data.pass !== null || !value.endsWith('passed'))}
                  onChange={setKind}
                />
                <label>
                  of candidates with{' '}
                  <input className="field w-40" placeholder="letters of a name" value={name} onChange={(e) => setName(e.target.value)} />
                </label>
                <span className="text-quiet" role="status">
                  {data.fit === data.sums.sittings ? count(data.fit, 'sitting') : `${data.fit} of ${data.sums.sittings}`}
                </span>
              </p>
            )}
          </>
        }
        margin={data.sums.sittings > 0 && <Sums data={data} />}
      />
      {data.sums.sittings === 0 ? (
        <Row
          page={<p className="py-2">Nobody has begun this edition yet. As soon as somebody does, they stand here with how far they are.</p>}
        />
      ) : (
        <>
          <Row
            className="min-w-0 pb-4"
            page={
              <div ref={list}>
                <SittingsTable data={data} rows={rows} order={order} onOrder={setOrder} />
              </div>
            }
          />
          {results.hasNextPage && (
            <Row
              className="pb-4"
              page={
                <p>
                  {rows.length} of {data.fit} are shown.{' '}
                  <button className="act" disabled={results.isFetchingNextPage} onClick={() => void results.fetchNextPage()}>
                    Show more of them
                  </button>
                </p>
              }
            />
          )}
          <Surveyed edition={edition} />
          <Log data={data} />
        </>
      )}
    </PageAndMargin>
  );
}

function Sums({ data }: { data: Results }) {
  const { sittings, ended, passed, judged, least, middle, most } = data.sums;
  const pass = data.pass?.percent ? `${data.pass.percent} %` : data.pass?.points ? `${data.pass.points} ${points(data.pass.points)}` : null;
  return (
    <div className="space-y-1">
      <p>
        <b className="fig">{ended}</b> ended
        {ended < sittings && `, ${sittings - ended} being sat now`}
        {judged > 0 && (
          <>
            ; <b className="fig">{passed}</b> passed, {Math.round((100 * passed) / judged)} %{pass && ` (${pass} pass)`}
          </>
        )}
      </p>
      {least !== null && middle !== null && most !== null && (
        <p>
          from <b className="fig">{figure(least)}</b> to <b className="fig">{figure(most)}</b> %, the middle one{' '}
          <b className="fig">{figure(middle)}</b> %
        </p>
      )}
      <p className="acts">
        {tables.map(({ as, words }) => (
          <SaveFile
            key={as}
            href={`/api/editions/${data.edition.id}/${as}.csv`}
            isLong={data.sums.sittings > manySittings}
            begin={() => dataOf(api.POST('/editions/{id}/out', { params: { path: { id: data.edition.id } }, body: { as } }))}
          >
            {words}
          </SaveFile>
        ))}
      </p>
    </div>
  );
}

/** What staff did to sittings of this edition, and why. */
function Log({ data: { log } }: { data: Results }) {
  if (log.length === 0) return null;
  return (
    <>
      <Row className="pt-5" page={<h2 className="head">what staff did</h2>} />
      {log.map((act) => (
        <Row
          key={act.id}
          line
          page={
            <p>
              {act.words} <span className="text-quiet">(sitting {act.sitting})</span>: “{act.reason}”
            </p>
          }
          margin={
            <p>
              {act.by}, {day(act.at)}, {timeOfDay(act.at)}
            </p>
          }
        />
      ))}
    </>
  );
}
