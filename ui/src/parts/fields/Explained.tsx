import { Tooltip } from 'radix-ui';
import { type ReactElement, useState } from 'react';

/** Says at the pointer, and with the focus, what something means that is pressed. */
export function Explained({ means, children }: { means: string | undefined; children: ReactElement }) {
  if (means === undefined) return children;
  return (
    <Tooltip.Provider delayDuration={300}>
      <Tooltip.Root>
        <Tooltip.Trigger asChild>{children}</Tooltip.Trigger>
        <Meaning>{means}</Meaning>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}

/** A word of a sentence that says what it means, at the pointer, with the focus, and when it is touched. */
export function Term({ children, means }: { children: string; means: string | undefined }) {
  const [open, setOpen] = useState(false);
  return (
    <Tooltip.Provider delayDuration={300}>
      <Tooltip.Root open={open} onOpenChange={setOpen}>
        <Tooltip.Trigger
          className="term"
          onClick={(e) => {
            e.preventDefault();
            setOpen(true);
          }}
        >
          {children}
        </Tooltip.Trigger>
        <Meaning>{means ?? ''}</Meaning>
      </Tooltip.Root>
    </Tooltip.Provider>
  );
}

function Meaning({ children }: { children: string }) {
  return (
    <Tooltip.Portal>
      <Tooltip.Content className="menu max-w-80 px-3 py-1.5!" sideOffset={5} collisionPadding={12}>
        {children}
      </Tooltip.Content>
    </Tooltip.Portal>
  );
}
