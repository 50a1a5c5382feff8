import { Popover } from 'radix-ui';
import { useState } from 'react';
import { momentWords, readMoment } from '../text/moments';
import { Editable } from './Editable';
import { Month } from './Month';

interface Props {
  label: string;
  value: string | null;
  /** what stands where there is no moment */
  none: string;
  onChange: (value: string | null) => void;
}

/** A day and a time, typed as the browser's language writes them or picked from a month. */
export function Moment({ label, value, none, onChange }: Props) {
  const [open, setOpen] = useState(false);
  const at = value === null ? null : new Date(value);
  const example = momentWords(new Date(2027, 4, 1, 14, 30).toISOString());
  return (
    <>
      <Editable
        label={label}
        value={value === null ? none : momentWords(value)}
        width={22}
        plain
        refuse={(typed) => (readMoment(typed, new Date()) ? null : `a day and a time, such as ${example}`)}
        onChange={(typed) => onChange(written(readMoment(typed, new Date())))}
      />{' '}
      <Popover.Root open={open} onOpenChange={setOpen}>
        <Popover.Trigger className="act" aria-label={`${label}: pick a day`}>
          pick
        </Popover.Trigger>
        <Popover.Portal>
          <Popover.Content className="menu p-2!" align="end" sideOffset={4} aria-label={`${label}: pick a day`}>
            <Month
              chosen={at}
              onPick={(date) => {
                // The time stays as it was; a day without one begins it.
                date.setHours(at?.getHours() ?? 0, at?.getMinutes() ?? 0);
                setOpen(false);
                onChange(written(date));
              }}
            />
          </Popover.Content>
        </Popover.Portal>
      </Popover.Root>
      {value !== null && (
        <>
          {' '}
          <button className="act" aria-label={`${label}: no moment`} onClick={() => onChange(null)}>
            none
          </button>
        </>
      )}
    </>
  );
}

/** As the API has it, to the second. */
const written = (at: Date | null) => at?.toISOString().replace(/\.\d+Z$/, '+00:00') ?? null;
