import type { Schema } from '../../../api/client';
import { Rich } from '../../../parts/text/Rich';

/** Lines of a response or a key: an author's text as it reads, what was typed to the letter. */
export function AnswerLines({ lines, between = ' · ' }: { lines: Schema['AnswerLine'][]; between?: string }) {
  return (
    <>
      {lines.map((line, i) => (
        <span key={i}>
          {i > 0 && <span className="text-quiet">{between}</span>}
          {line.before !== null && <span className="text-soft">{line.before}: </span>}
          {line.typed ? <span className="whitespace-pre-wrap">{line.text}</span> : <Rich text={line.text} inline />}
        </span>
      ))}
    </>
  );
}
