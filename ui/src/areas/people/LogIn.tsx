import { keys } from '../../api/keys';
import { useMutation, useQueryClient } from '@tanstack/react-query';
import { type SyntheticEvent, useEffect, useState } from 'react';
import { ApiError, api, errorWords, setWhose, dataOf } from '../../api/client';
import type { Account } from './session';

/** Name and password; used on its own page and over a page whose session has expired. */
export function LogInForm({ only, onDone }: { only?: Account; onDone?: () => void }) {
  const queries = useQueryClient();
  const [login, setLogin] = useState(only?.login ?? '');
  const [password, setPassword] = useState('');
  const logIn = useMutation({
    mutationFn: () => {
      if (only && login.trim() !== only.login)
        throw new Error(`This page is ${only.name}’s. Log in as ${only.login}, or leave this page first; nothing on it is lost.`);
      return dataOf(api.POST('/log-in', { body: { login: login.trim(), password } }));
    },
    onSuccess: (me) => {
      setPassword('');
      setWhose(me.account?.id ?? null);
      queries.setQueryData(keys.me(), me);
      onDone?.();
    },
  });
  const wait = useWait(logIn.error);
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
          {errorWords(logIn.error)}
          {wait > 0 && ` (${wait} s)`}
        </p>
      )}
      <div>
        <button className="btn main" disabled={logIn.isPending || wait > 0}>
          Log in
        </button>
      </div>
    </form>
  );
}

/** Seconds that are left to wait after attempts that failed. */
function useWait(error: unknown): number {
  const seconds = error instanceof ApiError ? (error.problem.seconds ?? 0) : 0;
  const [over, setOver] = useState<{ error: unknown; left: number }>({ error: null, left: 0 });
  useEffect(() => {
    if (seconds === 0) return;
    const end = Date.now() + seconds * 1000;
    const timer = window.setInterval(() => setOver({ error, left: Math.max(0, Math.ceil((end - Date.now()) / 1000)) }), 250);
    return () => window.clearInterval(timer);
  }, [error, seconds]);
  return over.error === error ? over.left : seconds;
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
