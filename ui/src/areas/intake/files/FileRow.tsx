import { useState } from 'react';
import { count } from '../../../parts/text/figures';
import { ObjectiveField } from '../../bank/question/ObjectiveField';
import { type Given, isGiven } from '../brought';
import { asksWhere, needsObjective, readyOf, type WaitingFile } from './files';
import { GivenLine } from '../GivenLine';
import { LeftBehind } from '../LeftBehind';

interface Props {
  bank: number;
  file: WaitingFile;
  readOnly: boolean;
  onPut: (part: Partial<WaitingFile>) => void;
  onOpen: () => void;
  onLeave: () => void;
  /** gives all files what this one is given; missing where there is no other */
  onAlike?: (given: Given) => void;
}

/** One of several files: what was understood of it, where it goes, what its questions are given, and what of it stays behind. */
export function FileRow({ bank, file, readOnly, onPut, onOpen, onLeave, onAlike }: Props) {
  const { name, given, beside, unsure, read } = file;
  const [open, setOpen] = useState(isGiven({ ...given, objective: '' }));
  const [listed, setListed] = useState(false);
  const all = read?.questions.length ?? 0;
  const whole = readyOf(file).length;
  const left = (beside?.unmatched.length ?? 0) + (beside?.problems.length ?? 0);
  const put = (next: Given) => onPut({ given: next, ...((next.kind ?? null) !== (given.kind ?? null) && { read: null }) });
  return (
    <div className="border-t border-(--rule) py-1">
      <p>
        <b>{name}</b>{' '}
        {unsure !== null && (
          <>
            is not UTF-8; {unsure}.{' '}
            <button className="act" onClick={() => onPut({ unsure: null })}>
              that is right
            </button>{' '}
          </>
        )}
        {read === null ? (
          'is read …'
        ) : (
          <>
            {count(all, 'question')}
            {whole < all && unsure === null && <span className="text-wrong">, {all - whole} to be put right or known to the bank</span>}
            {needsObjective(file) && (
              <>
                {asksWhere(file) ? <b className="text-wrong">, where do they go? </b> : ', into '}
                <ObjectiveField
                  bank={bank}
                  value={given.objective}
                  readOnly={readOnly}
                  onChange={(objective) => onPut({ nowhere: objective === '', given: { ...given, objective } })}
                />
                {asksWhere(file) && (
                  <>
                    {' or '}
                    <button className="act" onClick={() => onPut({ nowhere: true })}>
                      leave them without one
                    </button>
                  </>
                )}
              </>
            )}{' '}
            <button
              className="act"
              disabled={readOnly}
              aria-expanded={open}
              aria-label={`Settings for ${name}`}
              onClick={() => setOpen(!open)}
            >
              settings
            </button>{' '}
            {left > 0 && (
              <>
                <button className="act" aria-expanded={listed} onClick={() => setListed(!listed)}>
                  {left} {left === 1 ? 'stays' : 'stay'} behind
                </button>{' '}
              </>
            )}
            <button className="act" disabled={readOnly} onClick={onOpen}>
              look at it
            </button>{' '}
            <button className="act" disabled={readOnly} onClick={onLeave}>
              leave it
            </button>
          </>
        )}
      </p>
      {open && (
        <div className="pl-4">
          <GivenLine bank={bank} given={given} format={file.as} onChange={put} />
          {onAlike && (
            <button className="act mt-1" disabled={readOnly} onClick={() => onAlike(given)}>
              the same for all files
            </button>
          )}
        </div>
      )}
      {listed && beside && (
        <div className="pl-4">
          <LeftBehind beside={beside} onRead={() => setListed(false)} />
        </div>
      )}
    </div>
  );
}
