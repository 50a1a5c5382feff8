import { Explained } from './Explained';

/** A word within a sentence that turns into another when pressed. */
export function Toggle(props: {
  on: boolean;
  words: [string, string];
  label: string;
  disabled: boolean;
  /** what the words mean, by each */
  meanings?: Record<string, string>;
  onChange: (on: boolean) => void;
}) {
  const { on, words, label, disabled, meanings = {}, onChange } = props;
  const word = words[on ? 0 : 1];
  if (disabled) return on ? <b>{word}</b> : <span>{word}</span>;
  return (
    <Explained means={meanings[word]}>
      <button
        className={on ? 'value' : 'value off'}
        aria-pressed={on}
        aria-label={`${label} is ${word}, change`}
        onClick={() => onChange(!on)}
      >
        {word}
      </button>
    </Explained>
  );
}
