/** Height of one line of the source, in pixels; the margin counts with it. */
export const LEVEL = 22;

const example = `objective: Hive inspection > Reading a frame

one: Which sign shows that a queen laid here within the last three days?
  points: 10
  yes: Single eggs standing upright in their cells
    says: Eggs stand for about three days, then lie down.
  no: Capped cells with a flat brown lid
  no: A ring of honey above the brood

false: A drone can sting.
  points: 5`;

/** The text with line numbers; lines with a problem have theirs in madder. Grows with the text, so page and margin scroll as one. */
export function SourceText({
  text,
  problems,
  onChange,
}: {
  text: string;
  problems: ReadonlySet<number>;
  onChange: (text: string) => void;
}) {
  const lines = text.split('\n').length;
  const rows = Math.max(lines, 18);
  return (
    <div className="flex">
      <pre className="fig w-14 shrink-0 pr-3 text-right text-quiet select-none" style={{ lineHeight: `${LEVEL}px` }} aria-hidden>
        {Array.from({ length: rows }, (_, i) => (
          <span key={i} className={problems.has(i + 1) ? 'font-bold text-wrong' : i < lines ? '' : 'opacity-0'}>
            {i + 1}
            {'\n'}
          </span>
        ))}
      </pre>
      <textarea
        // It never scrolls up or down by itself: its rows must stay level with their numbers. Below them is room for its scroll bar.
        className="fig overflow-x-auto overflow-y-hidden whitespace-pre outline-none"
        style={{ lineHeight: `${LEVEL}px`, height: rows * LEVEL + 2 * LEVEL, fieldSizing: 'fixed' }}
        aria-label="Text of the questions"
        placeholder={example}
        spellCheck={false}
        value={text}
        onChange={(e) => onChange(e.target.value)}
      />
    </div>
  );
}
