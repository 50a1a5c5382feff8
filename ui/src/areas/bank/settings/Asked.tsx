interface Props {
  /** what would change, and whom it reaches */
  what: string;
  /** for a choice that was made: the next key answers. Where one is typing, the typing goes on. */
  focused?: boolean;
  onChange: () => void;
  onLeave: () => void;
}

const focus = (button: HTMLButtonElement | null) => button?.focus();

/** A change of a default that reaches cleared questions is agreed to first. */
export function Asked({ what, focused = false, onChange, onLeave }: Props) {
  return (
    <p className="notice" role="alert">
      {what} What is frozen for sittings stays as it is.{' '}
      <button className="act" ref={focused ? focus : undefined} onClick={onChange}>
        Change it
      </button>{' '}
      <button className="act" onClick={onLeave}>
        Leave it
      </button>
    </p>
  );
}
