import { useQueryClient } from '@tanstack/react-query';
import { Dialog } from 'radix-ui';
import { useEffect, useState } from 'react';
import { ApiError, api, dataOf } from '../../api/client';
import { LogInForm } from './LogIn';
import type { Account } from './session';

/** When the session has expired, or somebody else has logged in in this browser: log in over the page, so that nothing on it is lost. */
export function LogInAgain({ account }: { account: Account }) {
  const queries = useQueryClient();
  const [open, setOpen] = useState(false);
  useEffect(() => {
    // What is refused may have been sent before somebody logged in again: then there is nothing to ask.
    const ask = () => {
      void dataOf(api.GET('/me'))
        .then((me) => me.account?.id === account.id)
        .catch(() => false)
        .then((isHere) => {
          setOpen(!isHere);
          if (isHere) window.dispatchEvent(new Event('zetema:logged-in'));
        });
    };
    const watch = (error: unknown) => {
      if (error instanceof ApiError && error.isLogIn) ask();
    };
    // Only a failure that has just happened: an older one stays in the cache until its query has answered again.
    const offQueries = queries.getQueryCache().subscribe((event) => {
      if (event.type === 'updated' && event.action.type === 'error') watch(event.action.error);
    });
    const offMutations = queries.getMutationCache().subscribe((event) => {
      if (event.type === 'updated' && event.action.type === 'error') watch(event.action.error);
    });
    window.addEventListener('zetema:log-in', ask);
    return () => {
      window.removeEventListener('zetema:log-in', ask);
      offQueries();
      offMutations();
    };
  }, [queries, account.id]);
  return (
    <Dialog.Root open={open} onOpenChange={setOpen}>
      <Dialog.Portal>
        <Dialog.Overlay className="fixed inset-0 z-30 bg-black/40" />
        <Dialog.Content
          onOpenAutoFocus={(e) => {
            e.preventDefault();
            document.querySelector<HTMLInputElement>('[role="dialog"] input[type="password"]')?.focus();
          }}
          className="fixed top-24 left-1/2 z-40 w-[min(92vw,420px)] -translate-x-1/2 bg-sheet p-6 shadow-lg"
        >
          <Dialog.Title className="title mb-1">Please log in again, {account.name}</Dialog.Title>
          <Dialog.Description className="mb-4 text-soft">
            Your session has expired, or somebody else has logged in in this browser. What you typed is still on the page and is sent when
            you are back.
          </Dialog.Description>
          <LogInForm
            only={account}
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
