import { type KeyboardEvent, type ReactNode, useEffect, useRef, useState } from 'react';
import { Row } from '../../../parts/PageAndMargin';
import { useKeys } from '../../../parts/hooks/useKeys';
import { Editable } from '../../../parts/fields/Editable';
import { GrowingText } from '../../../parts/fields/GrowingText';
import type { Draft, Question } from './useDraft';
import type { Content, Margin } from '../../../kinds/content';
import { HintRows } from './feedback/HintRows';
import { beginStep } from '../../../parts/hooks/useHistory';
import { kindFacts, kindUi } from '../../../kinds/registry';
import { LineNotes, CommentHere } from '../../../kinds/common/lines/LineNotes';
import { NoteRows } from './feedback/NoteRows';
import { AlikeHere } from './AlikeHere';
import { ObjectiveField } from './ObjectiveField';
import { stay } from '../../../kinds/common/rows/RowFoot';
import { SaysRows } from './feedback/SaysRows';
import { SettingsSentence } from './SettingsSentence';
import { TextTools } from '../page/TextTools';

interface Props {
  draft: Draft;
  margin: Margin | null;
  bankSettings: Record<string, string>;
  /** what the bank says after an outcome */
  wording: Record<string, string>;
  /** What keeps it from being whole. */
  problem: Question['problem'];
  bank: number;
  change: (draft: Draft) => void;
  edit: (make: (content: Content) => Content) => void;
  readOnly: boolean;
  lead: ReactNode;
  status: ReactNode;
}

/** A question's page with its margin. */
export function Editor({ draft, margin, bankSettings, wording, problem, bank, change, edit, readOnly, lead, status }: Props) {
  const { content } = draft;
  const parts = { content, margin, readOnly, edit };
  const { Rows } = kindUi(content);
  useLineKeys();
  return (
    <>
      <Row
        className="pt-4"
        page={
          <>
            <p className="path">
              <ObjectiveField
                bank={bank}
                value={draft.objective}
                readOnly={readOnly}
                onChange={(objective) => change({ ...draft, objective })}
              />
              {' · '}
              <Editable
                plain
                label="Name"
                width={20}
                value={draft.name || 'no name'}
                disabled={readOnly}
                onChange={(name) => change({ ...draft, name: name === 'no name' ? '' : name })}
              />
              {' · '}
              {content.kind}
              {lead}
            </p>
            {!readOnly && <TextTools bank={bank} />}
          </>
        }
        margin={status}
      />
      <Row
        className="pb-3"
        page={
          <>
            <Stem content={content} readOnly={readOnly} edit={edit} />
            <How content={content} readOnly={readOnly} edit={edit} />
          </>
        }
        margin={
          <>
            <SettingsSentence {...parts} bankSettings={bankSettings} problem={problem} />
            <LineNotes where="marking" />
            <LineNotes where="stem" />
            {!readOnly && <AlikeHere bank={bank} stem={content.stem} />}
            <p className="lineact stays">
              <CommentHere where="stem" words="comment on the stem" />
            </p>
          </>
        }
      />
      <Rows {...parts} bank={bank} />
      <SaysRows {...parts} wording={wording} />
      <NoteRows {...parts} />
      <HintRows {...parts} />
    </>
  );
}

/** Ctrl Enter goes to the next line of the page, with Shift to the one before; Tab goes from a line to its margin. */
function useLineKeys() {
  useKeys((e) => {
    if (!e.ctrlKey || e.key !== 'Enter') return;
    const here = document.activeElement;
    const lines = [...document.querySelectorAll<HTMLElement>('.p textarea, .p input[data-draft], .p select')];
    const after = lines.filter((line) => here && here.compareDocumentPosition(line) & Node.DOCUMENT_POSITION_FOLLOWING);
    const before = lines.filter((line) => here && here.compareDocumentPosition(line) & Node.DOCUMENT_POSITION_PRECEDING);
    e.preventDefault();
    (e.shiftKey ? before.at(-1) : after[0])?.focus();
  });
}

/** The line that tells how to answer: the usual words of the kind, or the author's own. */
function How({ content, readOnly, edit }: Pick<Props, 'edit' | 'readOnly'> & { content: Content }) {
  const usual = kindFacts(content).how;
  const own = content.settings?.how;
  const set = (typed: string) =>
    edit((c) => {
      const settings = Object.fromEntries(Object.entries(c.settings ?? {}).filter(([word]) => word !== 'how'));
      return { ...c, settings: typed === usual ? settings : { ...settings, how: typed } };
    });
  return (
    <p className="path pt-1">
      <Editable plain width={30} label="The line that tells how to answer" value={own ?? usual} disabled={readOnly} onChange={set} />
      {own !== undefined && !readOnly && (
        <>
          {' '}
          <button className="act" onClick={() => set(usual)}>
            the usual words
          </button>
        </>
      )}
    </p>
  );
}

function Stem({ content, readOnly, edit }: Pick<Props, 'edit' | 'readOnly'> & { content: Content }) {
  const field = useRef<HTMLTextAreaElement>(null);
  const [lines, setLines] = useState<string[]>([]);
  const { withMarked, withLines } = kindUi(content);
  const gap = useRef<() => void>(() => undefined);
  useEffect(() => {
    gap.current = () => {
      const box = field.current;
      if (box && withMarked && !readOnly) edit((c) => withMarked(c, box.selectionStart, box.selectionEnd));
    };
  });
  useEffect(() => {
    const make = () => gap.current();
    window.addEventListener('zetema:make-gap', make);
    return () => window.removeEventListener('zetema:make-gap', make);
  }, []);
  const keys = (e: KeyboardEvent) => {
    if (e.ctrlKey && e.key.toLowerCase() === 'g' && withMarked) {
      e.preventDefault();
      gap.current();
    }
  };
  const answers = () => {
    beginStep();
    edit((c) => {
      const stem = c.stem.replace(/\n[\s\S]*$/, '').trim() || (lines[0] ?? '');
      return withLines?.({ ...c, stem }, lines.slice(1)) ?? c;
    });
    setLines([]);
  };
  // Who has just made a question begins with its stem.
  const blank = useRef(content.stem === '');
  useEffect(() => {
    if (blank.current) field.current?.focus();
  }, []);
  return (
    <>
      <GrowingText
        ref={field}
        className="stem"
        label="Stem"
        placeholder={kindFacts(content).stemHint}
        readOnly={readOnly}
        value={content.stem}
        onChange={(stem) => edit((c) => ({ ...c, stem }))}
        onKeyDown={keys}
        onLines={setLines}
      />
      {content.stem.length > 2000 && (
        <p className="text-sm text-quiet">
          {content.stem.length.toLocaleString('en-GB')} characters; a page before the question would be easier to read
        </p>
      )}
      {lines.length > 1 && withLines && content.stem.includes(lines.at(-1) ?? '') && (
        <p role="status">
          {lines.length} lines were pasted.{' '}
          <button className="act" onMouseDown={stay} onClick={answers}>
            Make answers of all but the first
          </button>{' '}
          <button className="act" onMouseDown={stay} onClick={() => setLines([])}>
            leave them in the stem
          </button>
        </p>
      )}
    </>
  );
}
