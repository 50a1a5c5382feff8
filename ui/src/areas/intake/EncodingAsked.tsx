import type { Unsure } from './useOpened';

const others = ['windows-1252', 'utf-16le', 'utf-16be', 'utf-8'];

/** A file that is not plainly UTF-8: how it would read, used only when agreed to. */
export function EncodingAsked(props: { unsure: Unsure; onAgree: () => void; onOther: (encoding: string) => void; onLeave: () => void }) {
  const { unsure, onAgree, onOther, onLeave } = props;
  return (
    <p className="mt-2" role="alert">
      {unsure.name} is not UTF-8. As {unsure.encoding} it reads {unsure.sample === '' ? 'without a sign of its own' : `“${unsure.sample}”`}.{' '}
      <button className="act" onClick={onAgree}>
        That is right
      </button>{' '}
      {others
        .filter((encoding) => encoding !== unsure.encoding)
        .map((encoding) => (
          <button key={encoding} className="act mr-2" onClick={() => onOther(encoding)}>
            as {encoding}
          </button>
        ))}
      <button className="act" onClick={onLeave}>
        leave the file
      </button>
    </p>
  );
}
