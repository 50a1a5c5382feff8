import { useState } from 'react';

/** A link with a code: who opens it and logs in is admitted. */
export function AccessLink({ code, onAsk }: { code: string | null; onAsk: (code: 'new' | 'none') => void }) {
  const [copied, setCopied] = useState(false);
  if (code === null)
    return (
      <p>
        <button className="act" onClick={() => onAsk('new')}>
          Make an access link
        </button>
      </p>
    );
  const link = `${window.location.origin}/join/${code}`;
  return (
    <div>
      <p>
        Whoever has this link admits themselves: <span className="fig break-all">{link}</span>
      </p>
      <p className="acts">
        <button className="act" onClick={() => void navigator.clipboard.writeText(link).then(() => setCopied(true))}>
          {copied ? 'copied' : 'copy it'}
        </button>
        <button className="act" onClick={() => onAsk('new')}>
          another code
        </button>
        <button className="act" onClick={() => onAsk('none')}>
          no link
        </button>
      </p>
    </div>
  );
}
