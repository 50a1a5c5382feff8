import { useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { ApiError } from '../../api/client';
import { LogInForm } from './LogIn';

/** When the session has expired: log in over the page, so that nothing typed there is lost. */
export function LogInAgain() {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    const watch = (error: unknown) => {
      if (error instanceof ApiError && error.isLogIn) setOpen(true);
    };
    const offQueries = queries.getQueryCache().subscribe((event) => watch(event.query.state.error));
    const offMutations = queries.getMutationCache().subscribe((event) => watch(event.mutation?.state.error));
    const ask = () => setOpen(true);
    window.addEventListener('zetema:log-in', ask);
    return () => {
      window.removeEventListener('zetema:log-in', ask);
      offQueries();
      offMutations();
    };
  }, [queries]);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content className="fixed top-24 left-1/2 z-40 w-[min(92vw,420px)] -translate-x-1/2 bg-sheet p-6 shadow-lg">
          <Dialog.Title className="title mb-1">Please log in again</Dialog.Title>
          <Dialog.Description className="mb-4 text-soft">Your session has expired. What you typed is still on the page.</Dialog.Description>
          <LogInForm
            onDone={() => {
              setOpen(false);
              void queries.refetchQueries({ predicate: (query) => query.state.error !== null });
              window.dispatchEvent(new Event('zetema:logged-in'));
            }}
          />
        </Dialog.Content>
      </Dialog.Portal>
    </Dialog.Root>
  );
}
