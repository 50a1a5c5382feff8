import { useState } from 'react';
import type { Response } from '../../content';
import { textIn } from './answers';

interface Props {
  response: Response;
  closed: boolean;
  inputMode: 'text' | 'decimal';
  unit?: string;
  onRespond: (response: Response, typing: boolean) => void;
}

/** One line to type an answer into. */
export function TypedBox({ response, closed, inputMode, unit, onRespond }: Props) {
  const [text, setText] = useState(textIn(response));
  const change = (next: string) => {
    setText(next);
    onRespond(next.trim() === '' ? null : { text: next }, true);
  };
  return (
    <p className="my-3 flex items-baseline gap-3">
      <input
        className="field w-full max-w-md font-reading text-[19px]"
        aria-label="Your answer"
        inputMode={inputMode}
        autoComplete="off"
        disabled={closed}
        value={text}
        onChange={(e) => change(e.target.value)}
      />
      {unit && <span className="text-soft">{unit}</span>}
    </p>
  );
}
