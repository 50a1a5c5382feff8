/** A word within a sentence that turns into another when pressed. */
export function Toggle(props: { on: boolean; words: [string, string]; label: string; disabled: boolean; onChange: (on: boolean) => void }) {
  const { on, words, label, disabled, onChange } = props;
  const word = words[on ? 0 : 1];
  if (disabled) return on ? <b>{word}</b> : <span>{word}</span>;
  return (
    <button
      className={on ? 'value' : 'value off'}
      aria-pressed={on}
      aria-label={`${label} is ${word}, change`}
      onClick={() => onChange(!on)}
    >
      {word}
    </button>
  );
}
