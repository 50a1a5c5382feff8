import { useChanged } from '../../../api/changed';
import { useMutation } from '@tanstack/react-query';
import { useEffect, useRef, useState } from 'react';
import { errorWords } from '../../../api/client';
import { FileButton } from '../../../parts/fields/FileButton';
import { insertInto, makeLink, makeList, surround } from '../../../parts/text/marks';
import { EditableChoice } from '../../../parts/fields/Editable';
import { useStable } from '../../../parts/hooks/useStable';
import { inMegabytes, takeFile, usePages } from '../../../kinds/common/picture/files';
import { largest } from '../../../kinds/facts.gen';
import { TakenOut } from '../../../kinds/common/picture/TakenOut';

/** Marks for the text that has the focus; files are asked for their description before they are put in. */
export function TextTools({ bank }: { bank: number }) {
  const field = useRef<HTMLTextAreaElement | null>(null);
  const [describing, setDescribing] = useState<{ name: string; shows: string } | null>(null);
  const changed = useChanged();
  const pages = usePages(bank);
  const names = Object.keys(pages);
  useEffect(() => {
    const remember = (e: FocusEvent) => {
      if (e.target instanceof HTMLTextAreaElement) field.current = e.target;
    };
    document.addEventListener('focusin', remember);
    return () => document.removeEventListener('focusin', remember);
  }, []);
  const take = useMutation({
    mutationFn: (file: File) => takeFile(bank, file),
    onSuccess: (medium) => {
      void changed('media', bank);
      setDescribing({ name: medium.name, shows: '' });
    },
  });
  const takeIn = useStable((e: Event) => {
    if (e instanceof CustomEvent && e.detail instanceof File) take.mutate(e.detail);
  });
  useEffect(() => {
    window.addEventListener('zetema:file', takeIn);
    return () => window.removeEventListener('zetema:file', takeIn);
  }, [takeIn]);
  const act = (what: (field: HTMLTextAreaElement) => void) => () => {
    if (!field.current) return;
    field.current.focus();
    what(field.current);
  };
  const put = () => {
    if (!describing || describing.shows.trim() === '') return;
    act((f) => insertInto(f, `![${describing.shows.trim().replace(/[[\]]/g, '')}](${describing.name})`))();
    setDescribing(null);
  };
  const tools: [string, string, (field: HTMLTextAreaElement) => void][] = [
    ['emphasis', 'Ctrl I', (f) => surround(f, '*', 'words')],
    ['strong', 'Ctrl B', (f) => surround(f, '**', 'words')],
    ['list', 'Ctrl Shift L', makeList],
    ['link', '', makeLink],
    ['formula', 'Ctrl M', (f) => surround(f, '$', 'x^2')],
  ];
  return (
    <div className="tools">
      <span className="text-quiet">in the text:</span>
      {tools.map(([words, keys, what]) => (
        <button key={words} className="act" title={keys} onMouseDown={(e) => e.preventDefault()} onClick={act(what)}>
          {words}
        </button>
      ))}
      <FileButton
        words={`picture (${inMegabytes(largest.picture)}), sound or film (${inMegabytes(largest.soundOrFilm)})`}
        label="A picture, sound or film"
        accept="image/*,audio/*,video/*,.svg"
        onFile={(file) => take.mutate(file)}
      />
      {names.length > 0 && (
        <EditableChoice
          label="A page of the bank in the text"
          value=""
          options={[{ value: '', words: 'a page' }, ...names.map((name) => ({ value: name, words: name }))]}
          onChange={(name) =>
            name !== '' && act((f) => insertInto(f, `[${pages[name]?.heading ?? name}](page:${encodeURIComponent(name)})`))()
          }
        />
      )}
      {take.isPending && <span className="text-quiet">taking it in …</span>}
      {take.error && (
        <span className="notice" role="alert">
          {errorWords(take.error)}
        </span>
      )}
      {take.data && describing && <TakenOut medium={take.data} />}
      {describing && (
        <form
          className="flex w-full flex-wrap gap-2"
          onSubmit={(e) => {
            e.preventDefault();
            put();
          }}
        >
          <label className="flex flex-1 items-baseline gap-2">
            what “{describing.name}” shows or says, for those who cannot see or hear it
            <input
              className="field min-w-40 flex-1"
              value={describing.shows}
              ref={(input) => input?.focus()}
              onChange={(e) => setDescribing({ ...describing, shows: e.target.value })}
            />
          </label>
          <button className="act" disabled={describing.shows.trim() === ''}>
            put it into the text
          </button>
          <button type="button" className="act" onClick={() => setDescribing(null)}>
            leave it out
          </button>
        </form>
      )}
    </div>
  );
}
