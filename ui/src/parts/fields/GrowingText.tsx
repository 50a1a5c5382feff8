import { type ClipboardEvent, type KeyboardEvent, type Ref, useDeferredValue, useImperativeHandle, useRef, useState } from 'react';
import { insertInto, textKeys } from '../text/marks';
import { pasted } from '../text/paste';
import { Rich } from '../text/Rich';

interface Props {
  label: string;
  value: string;
  onChange: (value: string) => void;
  readOnly?: boolean;
  placeholder?: string;
  className?: string;
  onKeyDown?: (e: KeyboardEvent<HTMLTextAreaElement>) => void;
  /** Told when several lines were pasted, so that rows can be made of them. */
  onLines?: (lines: string[]) => void;
  ref?: Ref<HTMLTextAreaElement> | undefined;
}

/** Whether a text looks different from how it is typed. */
const hasMarks = (text: string) => /[*_`$^~\\\n]|\]\(|^\s*(-|\d+\.)\s/.test(text.replace(/_{3,}/g, ''));

/** A text with marks: shown as a candidate sees it, typed over as soon as it has the focus. */
export function GrowingText({ label, value, onChange, readOnly = false, placeholder, className = '', onKeyDown, onLines, ref }: Props) {
  const box = useRef<HTMLTextAreaElement>(null);
  useImperativeHandle(ref, () => box.current as HTMLTextAreaElement);
  const [told, setTold] = useState<string | null>(null);
  const marked = hasMarks(value);
  // Drawn when there is time: a long text with formulas must not hold up the next letter.
  const shown = useDeferredValue(value);
  const paste = (e: ClipboardEvent<HTMLTextAreaElement>) => {
    const { text, lines, told: words, file } = pasted(e.clipboardData);
    if (file) {
      e.preventDefault();
      window.dispatchEvent(new CustomEvent('zetema:file', { detail: file }));
      return;
    }
    if (text === '') return;
    e.preventDefault();
    const field = e.currentTarget;
    const [before, after] = [field.value.slice(0, field.selectionStart), field.value.slice(field.selectionEnd)];
    // Several lines begin on a line of their own: what stood there stays what it was.
    const several = lines.length > 0;
    insertInto(field, (several && /\S$/.test(before) ? '\n' : '') + text + (several && /^\S/.test(after) ? '\n' : ''));
    setTold(words);
    if (several) onLines?.([before, ...lines, after].map((line) => line.trim()).filter((line) => line !== ''));
  };
  const keys = (e: KeyboardEvent<HTMLTextAreaElement>) => {
    onKeyDown?.(e);
    if (!e.defaultPrevented && !readOnly) textKeys(e);
  };
  if (readOnly && value.trim() === '') return <p className={`${className} w-full text-quiet!`}>{placeholder}</p>;
  if (readOnly) return <Rich text={value} className={`${className} w-full`} />;
  return (
    <div className={`written ${marked ? 'marked' : ''} ${className}`}>
      {marked && (
        <div inert>
          <Rich text={shown} />
        </div>
      )}
      <textarea
        ref={box}
        rows={1}
        aria-label={label}
        placeholder={placeholder}
        value={value}
        onChange={(e) => onChange(e.target.value)}
        onPaste={paste}
        onKeyDown={keys}
        onBlur={() => setTold(null)}
      />
      {told !== null && (
        <p className="told" role="status">
          {told}
        </p>
      )}
    </div>
  );
}
