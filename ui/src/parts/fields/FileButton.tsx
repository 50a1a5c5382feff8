import { useRef } from 'react';

/** A press that asks for a file, or for several where they can be taken. */
export function FileButton(props: {
  words: string;
  label: string;
  accept: string;
  disabled?: boolean;
  onFile: (file: File) => void;
  onFiles?: (files: File[]) => void;
}) {
  const { words, label, accept, disabled = false, onFile, onFiles } = props;
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
        multiple={onFiles !== undefined}
        onChange={(e) => {
          const files = [...(e.target.files ?? [])];
          if (files.length > 1 && onFiles) onFiles(files);
          else if (files[0]) onFile(files[0]);
          e.target.value = '';
        }}
      />
    </>
  );
}
