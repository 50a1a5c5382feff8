import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useState } from 'react';
import { api, inWords, take } from '../../api/client';

/** Name and password; used on its own page and over a page whose session has expired. */
export function LogInForm({ onDone }: { onDone?: () => void }) {
  const queries = useQueryClient();
  const [login, setLogin] = useState('');
  const [password, setPassword] = useState('');
  const logIn = useMutation({
    mutationFn: () => take(api.POST('/log-in', { body: { login, password } })),
    onSuccess: (me) => {
      queries.setQueryData(['me'], me);
      onDone?.();
    },
  });
  const submit = (e: SyntheticEvent) => {
    e.preventDefault();
    logIn.mutate();
  };
  return (
    <form onSubmit={submit} className="grid max-w-xs gap-3">
      <label className="grid gap-1">
        Name
        <input className="field" name="login" autoComplete="username" required value={login} onChange={(e) => setLogin(e.target.value)} />
      </label>
      <label className="grid gap-1">
        Password
        <input
          className="field"
          type="password"
          name="password"
          autoComplete="current-password"
          required
          value={password}
          onChange={(e) => setPassword(e.target.value)}
        />
      </label>
      {logIn.error && (
        <p className="notice" role="alert">
          {inWords(logIn.error)}
        </p>
      )}
      <div>
        <button className="btn main" disabled={logIn.isPending}>
          Log in
        </button>
      </div>
    </form>
  );
}

export function LogInPage() {
  return (
    <>
      <header className="top">
        <span className="bank">Zetema</span>
      </header>
      <main className="desk">
        <div className="sheet">
          <div className="row">
            <div className="p pt-5 pb-6">
              <h1 className="stem mb-4">Log in</h1>
              <LogInForm />
            </div>
            <div className="m pt-6">
              <p>Banks of graded questions by learning objective, and assessments made from them.</p>
              <p className="mt-3">Your name and password come from whoever keeps the accounts.</p>
            </div>
          </div>
        </div>
      </main>
    </>
  );
}
