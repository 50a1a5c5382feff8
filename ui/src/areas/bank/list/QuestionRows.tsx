import { useWindowVirtualizer } from '@tanstack/react-virtual';
import { type KeyboardEvent, useEffect, useEffectEvent, useRef, useState } from 'react';
import { Link } from 'react-router';
import type { Schema } from '../../../api/client';
import { Row } from '../../../parts/PageAndMargin';
import { day } from '../../../parts/text/moments';
import type { Shown } from './columns';
import { hitParts } from './filter';
import type { Choosing } from './many/useChosen';

type Question = Schema['QuestionRow'];
type Each = Schema['ManyPreview']['each'][number];

interface Props {
  questions: Question[];
  bank: number;
  /** null for whoever may only read */
  chosen: Choosing | null;
  /** what a change would do to each */
  each: ReadonlyMap<number, Each>;
  columns: Shown;
  /** where they can be put in order: the row that is moved, and by how many */
  onMove?: (i: number, by: number) => void;
  onOpen: () => void;
  onEnd: () => void;
}

/** The rows in sight, of however many; ↑ and ↓ go, Space chooses, with Shift a stretch. */
export function QuestionRows(props: Props) {
  const { questions, bank, chosen, each, columns, onOpen } = props;
  const rows = useWindowVirtualizer({ count: questions.length, estimateSize: () => 36, overscan: 20, scrollMargin: 130 });
  const shown = rows.getVirtualItems();
  const isNearEnd = (shown.at(-1)?.index ?? 0) >= questions.length - 20;
  const end = useEffectEvent(props.onEnd);
  useEffect(() => {
    if (isNearEnd) end();
  }, [isNearEnd, questions.length]);
  const [at, setAt] = useState(0);
  const list = useRef<HTMLDivElement>(null);
  const goes = useRef(false);
  const moved = useRef<{ id: number; from: number } | null>(null);
  useEffect(() => {
    if (!goes.current) return;
    goes.current = false;
    list.current?.querySelector<HTMLElement>(`[data-row="${at}"]`)?.focus();
  }, [at, shown]);
  // The focus stays with a question that was moved, wherever it stands then.
  useEffect(() => {
    const now = questions.findIndex(({ id }) => id === moved.current?.id);
    if (now < 0 || now === moved.current?.from) return;
    moved.current = null;
    if (document.activeElement !== document.body && !list.current?.contains(document.activeElement)) return;
    setAt(now);
    list.current?.querySelector<HTMLElement>(`[data-row="${now}"]`)?.focus();
  }, [questions]);
  const onKeyDown = (e: KeyboardEvent) => {
    const one = { ArrowUp: -1, ArrowDown: 1 }[e.key];
    if (e.altKey && one !== undefined && props.onMove) {
      e.preventDefault();
      // The question whose row has the focus, be it at its box or at its stem.
      const here = Number((e.target as HTMLElement).dataset.row ?? at);
      const row = questions[here];
      moved.current = row ? { id: row.id, from: here } : null;
      props.onMove(here, one);
      return;
    }
    moved.current = null;
    const way = { ArrowUp: -1, ArrowDown: 1, Home: -questions.length, End: questions.length }[e.key];
    if (way !== undefined && !e.altKey) {
      e.preventDefault();
      const next = Math.min(questions.length - 1, Math.max(0, at + way));
      if (e.shiftKey) {
        if (!chosen?.has(questions[at]?.id ?? 0)) chosen?.toggle(questions, at, false);
        chosen?.toggle(questions, next, true);
      }
      goes.current = true;
      setAt(next);
      rows.scrollToIndex(next);
    }
  };
  const before = (shown[0]?.start ?? 130) - 130;
  const after = rows.getTotalSize() - (shown.at(-1)?.end ?? 130) + 130;
  return (
    // eslint-disable-next-line jsx-a11y/no-static-element-interactions -- the keys are those of the rows in it
    <div className="contents" ref={list} onKeyDown={onKeyDown}>
      <div className="col-span-full" style={{ height: Math.max(0, before) }} />
      {shown.map((item) => {
        const q = questions[item.index];
        return (
          q && (
            <QuestionLine
              key={q.id}
              i={item.index}
              question={q}
              bank={bank}
              isAt={item.index === Math.min(at, questions.length - 1)}
              isChosen={chosen ? chosen.has(q.id) : null}
              each={each.get(q.id)}
              columns={columns}
              onChoose={(stretch) => {
                setAt(item.index);
                chosen?.toggle(questions, item.index, stretch);
              }}
              onOpen={onOpen}
            />
          )
        );
      })}
      <div className="col-span-full" style={{ height: Math.max(0, after) }} />
    </div>
  );
}

function QuestionLine(props: {
  i: number;
  question: Question;
  bank: number;
  isAt: boolean;
  isChosen: boolean | null;
  each: Each | undefined;
  columns: Shown;
  onChoose: (stretch: boolean) => void;
  onOpen: () => void;
}) {
  const { i, question: q, bank, isAt, isChosen, each, columns, onChoose, onOpen } = props;
  const only = onlyChange(each);
  return (
    <Row
      line
      className={`h-9 overflow-hidden py-1.5! ${isChosen ? 'bg-tint' : ''}`}
      page={
        <span className="flex items-baseline gap-2">
          {isChosen !== null && (
            <button
              role="checkbox"
              aria-checked={isChosen}
              aria-label={`Choose ${q.name ?? q.excerpt}`}
              className="choose"
              data-row={i}
              tabIndex={isAt ? 0 : -1}
              onClick={(e) => onChoose(e.shiftKey)}
            />
          )}
          <Link
            to={`/banks/${bank}/questions/${q.id}`}
            data-row={i}
            onClick={onOpen}
            className="block min-w-0 truncate text-ink no-underline hover:underline"
            title={q.objective ?? 'without an objective'}
          >
            <span className="font-reading">{q.excerpt || <i className="text-quiet">no stem yet</i>}</span>{' '}
            {q.name && columns.has('name') && <span className="path ml-2">{q.name}</span>}{' '}
            <Hit hit={q.hit} shown={`${q.name ?? ''} ${q.excerpt}`} />
          </Link>
          <More question={q} columns={columns} />
        </span>
      }
      margin={
        <span className="grid grid-cols-[3.6rem_minmax(2.2rem,auto)_1fr_auto] gap-2 whitespace-nowrap">
          <span>{columns.has('kind') && q.kind}</span>
          {columns.has('points') || each ? <Worth worth={q.worth} each={each} /> : <span />}
          <span className={`truncate ${only ? 'text-ink' : ''}`} title={only ?? q.objective ?? ''}>
            {only ?? (columns.has('objective') && (q.objective?.split(' > ').at(-1) ?? 'no objective'))}
          </span>
          <span
            className={q.status === 'cleared' ? 'text-quiet' : 'text-ink'}
            title={q.dealt && q.status !== 'cleared' ? 'an earlier revision is dealt' : undefined}
          >
            {columns.has('status') && (q.unfinished ? 'not whole' : q.status)}
          </span>
        </span>
      }
    />
  );
}

/** What is shown of it besides, on the page, where there is room. */
function More({ question: { more, revision }, columns }: { question: Question; columns: Shown }) {
  const told = [
    columns.has('difficulty') && more?.difficulty,
    columns.has('tags') && more?.tags.join(', '),
    columns.has('revision') && `revision ${revision}`,
    columns.has('saved') && more && day(more.savedAt),
    columns.has('by') && more?.savedBy,
  ].filter((one) => typeof one === 'string' && one !== '');
  return told.length === 0 ? null : <span className="path ml-auto max-w-1/2 flex-none truncate pl-3">{told.join(' · ')}</span>;
}

/** Where a search found its words, if the row does not show them anyway. */
function Hit({ hit, shown }: { hit: string | null; shown: string }) {
  const parts = hitParts(hit ?? '');
  if (parts.filter(({ found }) => found).every(({ text }) => shown.toLowerCase().includes(text.toLowerCase()))) return null;
  return <span className="path ml-2">{parts.map(({ text, found }, i) => (found ? <b key={i}>{text}</b> : text))}</span>;
}

/** A value that comes from further out, without saying so in every row. */
const short = (to: string) => to.replace(/, as the bank has it$/, '');

/** The one thing that would change, where it is not its points, which have their own place. */
function onlyChange(each: Each | undefined): string | null {
  const [one, another] = each?.changes ?? [];
  return one && !another && !['points', 'objective', 'status'].includes(one.what) ? `${one.what}: ${one.from} → ${short(one.to)}` : null;
}

/** What it is worth, and what it would be. */
function Worth({ worth, each }: { worth: string; each: Each | undefined }) {
  const points = each?.changes.find(({ what }) => what === 'points');
  const other = each?.changes.length ?? 0;
  if (points) {
    return (
      <span className="fig text-right">
        {worth} → <b>{short(points.to)}</b>
      </span>
    );
  }
  return (
    <span className="text-right">
      <b className="fig">{worth}</b>
      {other > 0 && <span title={each?.changes.map(({ what, to }) => `${what}: ${to}`).join('; ')}> *</span>}
    </span>
  );
}
