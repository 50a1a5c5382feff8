import { useRef } from 'react';

/** A press that asks for a file. */
export function FileButton(props: { words: string; label: string; accept: string; disabled?: boolean; onFile: (file: File) => void }) {
  const { words, label, accept, disabled = false, onFile } = props;
  const chooser = useRef<HTMLInputElement>(null);
  return (
    <>
      <button type="button" className="act" disabled={disabled} onClick={() => chooser.current?.click()}>
        {words}
      </button>
      <input
        ref={chooser}
        type="file"
        hidden
        aria-label={label}
        accept={accept}
        onChange={(e) => {
          const file = e.target.files?.[0];
          if (file) onFile(file);
          e.target.value = '';
        }}
      />
    </>
  );
}
