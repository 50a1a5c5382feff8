import { DropdownMenu } from 'radix-ui';
import { useId, useRef, useState } from 'react';
import { Explained } from './Explained';
import { keepTyping, leaveTyping, placeOf, wasTyping } from './typing';

/** A value within a sentence that can be clicked and typed over. Enter takes it, Escape leaves it as it was. */
export function Editable({
  value,
  label,
  onChange,
  disabled = false,
  width = 6,
  plain = false,
  refuse,
}: {
  value: string;
  label: string;
  onChange: (value: string) => void;
  disabled?: boolean;
  width?: number;
  /** In the type around it, for words; numbers stand in figures. */
  plain?: boolean;
  /** Why what was typed cannot be taken; it is told where it was typed, and stays to be put right. */
  refuse?: (typed: string) => string | null;
}) {
  const look = plain ? 'value font-normal!' : 'value fig';
  const [typed, setTyped] = useState<string | null>(null);
  const [refused, setRefused] = useState<string | null>(null);
  const back = useRef(false);
  const place = useRef(0);
  const message = useId();
  if (disabled) return <b className={plain ? 'font-normal!' : 'fig'}>{value}</b>;
  if (typed === null) {
    return (
      <button
        className={look}
        aria-label={`${label}: ${value}, change`}
        ref={(button) => {
          // Who typed by keyboard goes on from where they were.
          if (button && back.current) button.focus();
          back.current = false;
        }}
        data-typed-over={label}
        onClick={(e) => {
          place.current = placeOf(e.currentTarget, label);
          setTyped(wasTyping() ?? value);
        }}
      >
        {value}
      </button>
    );
  }
  const done = () => {
    const next = typed.trim();
    const why = next === '' || next === value ? null : (refuse?.(next) ?? null);
    setRefused(why);
    if (why !== null) return;
    leaveTyping();
    setTyped(null);
    if (next !== '' && next !== value) onChange(next);
  };
  return (
    <>
      <input
        className={`${look} border-b-copper`}
        aria-label={label}
        style={{ width: `${Math.max(width, typed.length + 1)}ch` }}
        value={typed}
        ref={(input) => {
          if (input && document.activeElement !== input) input.select();
        }}
        aria-invalid={refused !== null}
        aria-describedby={refused === null ? undefined : message}
        onChange={(e) => {
          setTyped(e.target.value);
          keepTyping(label, place.current, value, e.target.value);
          setRefused(null);
        }}
        onBlur={done}
        onKeyDown={(e) => {
          if (e.key !== 'Enter' && e.key !== 'Escape') return;
          e.preventDefault();
          back.current = true;
          if (e.key === 'Enter') done();
          else {
            leaveTyping();
            setTyped(null);
            setRefused(null);
          }
        }}
      />
      {refused !== null && (
        <span id={message} className="notice mx-1 inline-block" role="alert">
          {refused}
        </span>
      )}
    </>
  );
}

/** A value within a sentence that is picked from a few words. */
export function EditableChoice<T extends string>({
  value,
  options,
  label,
  onChange,
  disabled = false,
  shown,
}: {
  value: T;
  options: readonly { value: T; words: string; means?: string | undefined }[];
  label: string;
  onChange: (value: T) => void;
  disabled?: boolean;
  /** what stands in the sentence, where the options say more */
  shown?: string;
}) {
  const words = shown ?? options.find((option) => option.value === value)?.words ?? value;
  if (disabled) return <b>{words}</b>;
  return (
    <DropdownMenu.Root>
      <Explained means={options.find((option) => option.value === value)?.means}>
        <DropdownMenu.Trigger className="value" aria-label={`${label}: ${words}, change`}>
          {words}
        </DropdownMenu.Trigger>
      </Explained>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="start" sideOffset={4} collisionPadding={12}>
          <DropdownMenu.RadioGroup value={value} onValueChange={(picked) => onChange(picked as T)}>
            {options.map((option) => (
              <DropdownMenu.RadioItem key={option.value} value={option.value} aria-label={option.words} aria-description={option.means}>
                {option.words}
                {option.means && <span className="block max-w-80 text-sm font-normal text-soft">{option.means}</span>}
              </DropdownMenu.RadioItem>
            ))}
          </DropdownMenu.RadioGroup>
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
