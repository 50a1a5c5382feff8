import { useLayoutEffect, useRef, useState } from 'react';
import { type Document, numbered, type Step } from '../../document';

interface Mark {
  id: string;
  y: number;
  sort: 'step' | 'checkpoint' | 'last';
}
interface Arc {
  from: number;
  to: number;
  lane: number;
}

const LINE = 40;
const LANE = 9;

/** Ways of a step that lead elsewhere than to what follows it. */
function waysOn(step: Step): string[] {
  if ('page' in step) return step.then ? [step.then] : [];
  if ('checkpoint' in step)
    return [...(step.checkpoint.routes ?? []).map(({ to }) => to), step.checkpoint.otherwise ?? 'next'].filter((to) => to !== 'next');
  if ('question' in step) return Object.values(step.leads ?? {}).flatMap((lead) => (lead?.then ? [lead.then] : []));
  return [];
}

/** The routes along the running order: which step leads to which, as numbers from 0; the end is one more than there are. Forward only. */
export function arcs(document: Document): { from: number; to: number }[] {
  const all = numbered(document);
  const place = (id: string) => {
    if (id === 'end') return all.length;
    const at = all.findIndex(({ step }) => step.id === id);
    return at >= 0 ? at : all.findIndex(({ section }) => section.id === id);
  };
  const found = all.flatMap(({ step }, from) => waysOn(step).map((way) => ({ from, to: place(way) })));
  return found.filter(({ from, to }, i) => to > from + 1 && found.findIndex((other) => other.from === from && other.to === to) === i);
}

/** Lanes so that arcs over the same steps stand beside each other, the shortest innermost. */
export function inLanes(list: { from: number; to: number }[]): Arc[] {
  const laid: Arc[] = [];
  for (const arc of list.toSorted((a, b) => a.to - a.from - (b.to - b.from))) {
    let lane = 0;
    while (laid.some((other) => other.lane === lane && other.from < arc.to && arc.from < other.to)) lane += 1;
    laid.push({ ...arc, lane });
  }
  return laid;
}

/** The line along the running order with its steps, and the routes beside it. */
export function Gutter({ document }: { document: Document }) {
  const ref = useRef<SVGSVGElement>(null);
  const [drawn, setDrawn] = useState<{ marks: Mark[]; height: number }>({ marks: [], height: 0 });
  useLayoutEffect(() => {
    const order = ref.current?.parentElement;
    if (!order) return;
    const measure = () => {
      const top = order.getBoundingClientRect().top;
      const rows = [...order.querySelectorAll<HTMLElement>('[data-step]')];
      const marks = rows.map((row, i): Mark => {
        const box = row.getBoundingClientRect();
        return {
          id: row.dataset.step ?? '',
          y: box.top - top + Math.min(box.height, 34) / 2 - 2,
          sort: row.dataset.sort === 'checkpoint' ? 'checkpoint' : i === rows.length - 1 ? 'last' : 'step',
        };
      });
      const height = order.offsetHeight;
      setDrawn((old) => (JSON.stringify(old) === JSON.stringify({ marks, height }) ? old : { marks, height }));
    };
    measure();
    const watch = new ResizeObserver(measure);
    watch.observe(order);
    return () => watch.disconnect();
  }, [document]);
  const { marks, height } = drawn;
  const [first] = marks;
  const last = marks.at(-1);
  const y = (place: number) => marks[place]?.y ?? (last ? last.y + 16 : 0);
  return (
    <svg ref={ref} className="pointer-events-none absolute top-0 left-0" width={56} height={height} aria-hidden>
      {first && last && <line x1={LINE} x2={LINE} y1={first.y} y2={last.y} stroke="var(--moss)" strokeWidth={2} />}
      {inLanes(arcs(document)).map(({ from, to, lane }) => {
        const x = LINE - 16 - LANE * Math.min(lane, 2);
        return (
          <path
            key={`${from} ${to}`}
            d={`M ${LINE - 7} ${y(from)} H ${x + 7} Q ${x} ${y(from)} ${x} ${y(from) + 7} V ${y(to) - 7} Q ${x} ${y(to)} ${x + 7} ${y(to)} H ${LINE - 5}`}
            fill="none"
            stroke="var(--copper)"
            strokeWidth={1.5}
          />
        );
      })}
      {marks.map((mark) =>
        mark.sort === 'checkpoint' ? (
          <rect
            key={mark.id}
            x={LINE - 6}
            y={mark.y - 6}
            width={12}
            height={12}
            transform={`rotate(45 ${LINE} ${mark.y})`}
            fill="var(--sheet)"
            stroke="var(--moss)"
            strokeWidth={2}
          />
        ) : (
          <circle
            key={mark.id}
            cx={LINE}
            cy={mark.y}
            r={4.5}
            fill={mark.sort === 'last' ? 'var(--moss)' : 'var(--sheet)'}
            stroke="var(--moss)"
            strokeWidth={2}
          />
        ),
      )}
    </svg>
  );
}
