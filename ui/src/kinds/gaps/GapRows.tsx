import { Moving, MovingRow } from '../../parts/Moving';
import { Row } from '../../parts/PageAndMargin';
import { Editable } from '../../parts/fields/Editable';
import { GrowingText } from '../../parts/fields/GrowingText';
import type { ContentOf, Part } from '../content';
import type { RowsProps } from '../kindUi';
import { LineNotes, CommentHere } from '../common/lines/LineNotes';
import { Toggle } from '../../parts/fields/Toggle';
import { closeGap, type Gap, gapsIn, numbered, withGap } from './gaps';
import { Handle } from '../common/rows/Handle';
import { PartMarks } from '../common/rows/PartRow';
import { isWeighed } from '../common/rows/rows';
import { useRows } from '../common/rows/useRows';

/** What belongs into each gap of the stem: typed wordings, or a list to pick from. */
export function GapRows(props: RowsProps<'gaps'>) {
  const { content, readOnly, edit } = props;
  const { gaps } = content;
  const inStem = gapsIn(content.stem);
  return (
    <>
      {!readOnly && (
        <Row
          line
          page={
            <p className="pl-6 text-quiet italic">
              Mark a word of the stem and press Ctrl G, or{' '}
              <button
                className="act not-italic"
                onMouseDown={(e) => e.preventDefault()}
                onClick={() => window.dispatchEvent(new Event('zetema:make-gap'))}
              >
                make a gap of the marked words
              </button>
              . A gap is written ___ there.
            </p>
          }
          margin={
            inStem !== gaps.length && (
              <p className="notice">
                The stem has {inStem} {inStem === 1 ? 'gap' : 'gaps'} (___), and {gaps.length} {gaps.length === 1 ? 'is' : 'are'} described
                below.{' '}
                {inStem > gaps.length && (
                  <button className="act" onClick={() => edit((c) => describeAll(c))}>
                    describe them all
                  </button>
                )}
              </p>
            )
          }
        />
      )}
      {gaps.map((gap, i) => (
        <OneGap key={gap.part.id} {...props} gap={gap} i={i} />
      ))}
    </>
  );
}

/** As many gaps described as the stem has. */
const describeAll = (c: ContentOf<'gaps'>): ContentOf<'gaps'> => {
  let { gaps } = c;
  while (gaps.length < gapsIn(c.stem)) gaps = withGap(gaps);
  return { ...c, gaps: numbered(gaps) };
};

interface Line {
  text: string;
  key?: boolean;
  share?: string;
  says?: string;
}

function OneGap({ content, margin, readOnly, edit, gap, i }: RowsProps<'gaps'> & { gap: Gap; i: number }) {
  const listed = gap.listed !== undefined;
  const lines: Line[] = gap.listed ?? gap.wordings ?? [];
  const put = (next: Gap) => edit((c) => ({ ...c, gaps: numbered(c.gaps.with(i, next)) }));
  const set = (list: Line[]) =>
    put(
      listed
        ? { part: gap.part, listed: list.map(({ text, key }) => ({ text, key: key ?? false })) }
        : { part: gap.part, wordings: list.map(({ text, share, says }) => ({ text, ...(share && { share }), ...(says && { says }) })) },
    );
  const change = (j: number, part: Partial<Line>) => set(lines.map((line, k) => (k === j ? { ...line, ...part } : line)));
  const rows = useRows<Line>({
    rows: lines,
    set,
    make: (text, _, copied) => ({ ...copied, key: false, text: copied && text === '' ? copied.text : text }),
    isEmpty: (line) => line.text === '',
  });
  const turn = (toList: boolean) =>
    put(
      toList
        ? { part: gap.part, listed: lines.map(({ text }, j) => ({ text, key: j === 0 })) }
        : { part: gap.part, wordings: lines.filter((line) => line.key).map(({ text }) => ({ text })) },
    );
  const name = `gap ${i + 1}`;
  const shown = lines.map((line, j) => {
    const keyWord = (
      <Toggle
        on={line.key ?? false}
        words={['key', 'distractor']}
        label={`Line ${j + 1} of gap ${i + 1}`}
        disabled={readOnly}
        onChange={(key) => change(j, { key })}
      />
    );
    return (
      <Row
        key={j}
        line
        page={
          <MovingRow i={j} disabled={readOnly}>
            <span className="w-14 shrink-0 text-sm whitespace-nowrap text-quiet">{j === 0 ? name : listed ? '' : 'or'}</span>
            <Handle
              i={j}
              what={`Line of gap ${i + 1},`}
              readOnly={readOnly}
              onCopy={() => rows.add(j, line)}
              onUp={() => rows.move(j, j - 1)}
              onDown={() => rows.move(j, j + 1)}
              onRemove={() => rows.remove(j)}
            />
            <GrowingText
              ref={(element) => rows.register(j, element)}
              className="answer"
              label={`Gap ${i + 1}, line ${j + 1}`}
              placeholder={listed ? 'an entry of the list' : 'an accepted wording'}
              readOnly={readOnly}
              value={line.text}
              onChange={(text) => change(j, { text })}
              onKeyDown={(e) => rows.onKey(j, e)}
              onLines={(pastedLines) => rows.onLines(j, pastedLines)}
            />
          </MovingRow>
        }
        margin={
          <>
            {j === 0 && (
              <p>
                {listed && <>{keyWord} · </>}
                <Toggle on={listed} words={['picked from a list', 'typed']} label={`Gap ${i + 1}`} disabled={readOnly} onChange={turn} />
                {' · '}
                <PartMarks
                  part={gap.part}
                  line={name}
                  weighed={isWeighed(content)}
                  spare={false}
                  margin={margin}
                  readOnly={readOnly}
                  onChange={(part: Partial<Part>) => put({ ...gap, part: { ...gap.part, ...part } })}
                />{' '}
                <span className="lineact">
                  {!readOnly && (
                    <>
                      <button className="act" onClick={() => edit((c) => closeGap(c, i))}>
                        close the gap
                      </button>{' '}
                    </>
                  )}
                  <CommentHere where={name} />
                </span>
              </p>
            )}
            {listed ? (
              j > 0 && <p>{keyWord}</p>
            ) : (
              <>
                {(line.share !== undefined || j > 0) && !isWeighed(content) && (
                  <p>
                    counts{' '}
                    <Editable
                      label={`Share of line ${j + 1} of gap ${i + 1}`}
                      value={`${line.share ?? '100'} %`}
                      disabled={readOnly}
                      onChange={(share) => change(j, { share: share.replace(/\s*%$/, '') })}
                    />
                  </p>
                )}
                <GrowingText
                  className="say"
                  label={`What line ${j + 1} of gap ${i + 1} says`}
                  placeholder="says nothing of its own"
                  readOnly={readOnly}
                  value={line.says ?? ''}
                  onChange={(says) => change(j, { says })}
                />
              </>
            )}
            {j === 0 && <LineNotes where={name} />}
          </>
        }
      />
    );
  });
  return (
    <Moving what={`Line of gap ${i + 1},`} onMove={rows.move}>
      {shown}
    </Moving>
  );
}
