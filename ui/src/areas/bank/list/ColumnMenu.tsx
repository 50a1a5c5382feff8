import { DropdownMenu } from 'radix-ui';
import { type Column, columns, type Shown } from './columns';

/** Which columns the list has: chosen and left by their names. */
export function ColumnMenu({ shown, onToggle }: { shown: Shown; onToggle: (column: Column) => void }) {
  return (
    <DropdownMenu.Root>
      <DropdownMenu.Trigger className="act">columns</DropdownMenu.Trigger>
      <DropdownMenu.Portal>
        <DropdownMenu.Content className="menu" align="start" sideOffset={4}>
          {(Object.keys(columns) as Column[]).map((column) => (
            <DropdownMenu.CheckboxItem
              key={column}
              checked={shown.has(column)}
              onCheckedChange={() => onToggle(column)}
              onSelect={(e) => e.preventDefault()}
            >
              {shown.has(column) ? '' : 'without '}
              {columns[column]}
            </DropdownMenu.CheckboxItem>
          ))}
        </DropdownMenu.Content>
      </DropdownMenu.Portal>
    </DropdownMenu.Root>
  );
}
