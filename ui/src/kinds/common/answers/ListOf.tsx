import { Select } from 'radix-ui';
import { Players } from './Players';
import { inWords } from '../../../parts/text/inWords';
import { isMoreThanWords, Rich } from '../../../parts/text/Rich';

interface Props {
  entries: string[];
  /** number of the entry chosen, from 1; undefined: none */
  chosen: string | undefined;
  label: string;
  /** what stands where none is chosen */
  none: string;
  closed: boolean;
  className: string;
  /** an empty text: none any more */
  onChoose: (entry: string) => void;
}

const NONE = 'none';

/** A list that opens, to choose one entry of: the browser's own where plain words stand in it, which phones show best. */
export function ListOf(props: Props) {
  const { entries, chosen = '', label, none, closed, className, onChoose } = props;
  if (entries.some(isMoreThanWords))
    return (
      <>
        <RichList {...props} />
        {entries.map((entry, i) => (
          <Players key={i} text={entry} />
        ))}
      </>
    );
  return (
    <select className={className} aria-label={label} disabled={closed} value={chosen} onChange={(e) => onChoose(e.target.value)}>
      <option value="">{none}</option>
      {entries.map((entry, i) => (
        <option key={i} value={i + 1}>
          {inWords(entry)}
        </option>
      ))}
    </select>
  );
}

function RichList({ entries, chosen = '', label, none, closed, className, onChoose }: Props) {
  return (
    <Select.Root disabled={closed} value={chosen === '' ? NONE : chosen} onValueChange={(value) => onChoose(value === NONE ? '' : value)}>
      <Select.Trigger className={`${className} text-left`} aria-label={label}>
        <Select.Value />
        <Select.Icon className="pl-2 text-quiet">▾</Select.Icon>
      </Select.Trigger>
      <Select.Portal>
        <Select.Content className="menu" position="popper" sideOffset={4}>
          <Select.Viewport>
            {[none, ...entries].map((entry, i) => (
              <Select.Item key={i} value={i === 0 ? NONE : String(i)}>
                <Select.ItemText>
                  <Rich text={entry} inline still className="font-reading text-[17px]" />
                </Select.ItemText>
              </Select.Item>
            ))}
          </Select.Viewport>
        </Select.Content>
      </Select.Portal>
    </Select.Root>
  );
}
