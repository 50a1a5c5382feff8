import { defaultKeymap, history, historyKeymap, insertNewline } from '@codemirror/commands';
import { EditorState, RangeSet, StateEffect, StateField } from '@codemirror/state';
import { EditorView, gutterLineClass, GutterMarker, keymap, lineNumbers, placeholder } from '@codemirror/view';
import { useEffect, useEffectEvent, useRef } from 'react';
import { completion, type PutIn, putIn } from './completion';

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

/** Lines level with the margin, and nothing of an editor but numbers. */
const look = EditorView.theme({
  '&': { background: 'none', minHeight: `${20 * LEVEL}px`, fontSize: '0.93em' },
  '&.cm-focused': { outline: 'none' },
  '.cm-scroller': { fontFamily: 'var(--figures)', lineHeight: `${LEVEL}px` },
  '.cm-content': { padding: `0 0 ${2 * LEVEL}px`, caretColor: 'var(--ink)' },
  '.cm-line': { padding: 0 },
  '.cm-placeholder': { color: 'var(--quiet)' },
  '.cm-gutters': {
    background: 'none',
    border: 0,
    color: 'var(--quiet)',
    minWidth: '3.5rem',
    paddingRight: '12px',
    justifyContent: 'flex-end',
  },
  '.cm-tooltip.cm-tooltip-autocomplete': {
    border: '1px solid var(--rule)',
    background: 'var(--sheet)',
    color: 'var(--ink)',
    fontFamily: 'var(--figures)',
  },
  '.cm-tooltip-autocomplete > ul > li[aria-selected]': { background: 'var(--moss-tint)', color: 'var(--ink)' },
  '.cm-snippetField': { background: 'none', textDecoration: 'underline dotted' },
  '.cm-problem': { color: 'var(--wrong)', fontWeight: 700 },
});

const marker = new (class extends GutterMarker {
  override elementClass = 'cm-problem';
})();
const setProblems = StateEffect.define<ReadonlySet<number>>();
const problemLines = StateField.define<RangeSet<GutterMarker>>({
  create: () => RangeSet.empty,
  update: (marks, transaction) => {
    const told = transaction.effects.find((effect) => effect.is(setProblems));
    if (!told) return marks.map(transaction.changes);
    const { doc } = transaction.state;
    const lines = [...told.value].filter((line) => line <= doc.lines).sort((a, b) => a - b);
    return RangeSet.of(lines.map((line) => marker.range(doc.line(line).from)));
  },
  provide: (field) => gutterLineClass.from(field),
});

/** Whether what is pasted says more by its looks than by its words, and is not our own text format from some editor. */
const isDocument = (html: string, plain: string) =>
  /<(?:b|strong|u|ul|ol|li|table|h[1-6])\b|font-weight|text-decoration/i.test(html) &&
  !/^\s*(?:one|several|true|false|number|text|gaps|pairs|groups|order|regions|place|rating|bank|objective)\s*:/im.test(plain);

/**
 * The text with line numbers; lines with a problem have theirs in madder. Grows with the text, so page and margin scroll as one; only
 * the lines near the window are drawn, however many there are.
 */
export function SourceText({
  text,
  problems,
  objectives,
  onChange,
  asText,
  onEditor,
}: {
  text: string;
  problems: ReadonlySet<number>;
  /** of the bank, to be offered */
  objectives: string[];
  onChange: (text: string) => void;
  /** told what puts a text in, once there is something to put it into */
  onEditor: (putIn: (put: PutIn) => void) => void;
  /** what a document on the clipboard is as text: bold answers, lists and tables keep what they mean */
  asText: (html: Blob) => Promise<string>;
}) {
  const place = useRef<HTMLDivElement>(null);
  const view = useRef<EditorView | null>(null);
  /** What the editor holds as far as the page knows, so that its own changes are not put into it again. */
  const known = useRef(text);
  const changed = useEffectEvent((next: string) => {
    known.current = next;
    onChange(next);
  });
  const offered = useEffectEvent(() => objectives);
  const ready = useEffectEvent((editor: EditorView) => onEditor((put) => putIn(editor, put)));
  const pasted = useEffectEvent((event: ClipboardEvent, editor: EditorView) => {
    const html = event.clipboardData?.getData('text/html') ?? '';
    const plain = event.clipboardData?.getData('text/plain') ?? '';
    if (!isDocument(html, plain)) return false;
    event.preventDefault();
    const put = (insert: string) => editor.dispatch(editor.state.replaceSelection(insert));
    asText(new Blob([html])).then(put, () => put(plain));
    return true;
  });
  useEffect(() => {
    if (!place.current) return;
    const editor = new EditorView({
      parent: place.current,
      state: EditorState.create({
        doc: known.current,
        extensions: [
          look,
          lineNumbers(),
          problemLines,
          history(),
          completion(() => offered()),
          // A line begins where its author puts it: below what stands indented is often something that does not.
          keymap.of([{ key: 'Enter', run: insertNewline }, ...historyKeymap, ...defaultKeymap]),
          placeholder(example),
          EditorView.domEventHandlers({ paste: (event, editor) => pasted(event, editor) }),
          EditorView.contentAttributes.of({ 'aria-label': 'Text of the questions', spellcheck: 'false', tabindex: '0' }),
          EditorView.updateListener.of((update) => {
            if (update.docChanged) changed(update.state.doc.toString());
          }),
        ],
      }),
    });
    view.current = editor;
    ready(editor);
    return () => {
      view.current = null;
      editor.destroy();
    };
  }, []);
  useEffect(() => {
    const editor = view.current;
    if (!editor || text === known.current) return;
    known.current = text;
    editor.dispatch({ changes: { from: 0, to: editor.state.doc.length, insert: text } });
  }, [text]);
  useEffect(() => {
    view.current?.dispatch({ effects: setProblems.of(problems) });
  }, [problems]);
  return <div ref={place} />;
}
