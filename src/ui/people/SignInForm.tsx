'use client';

import { type FormEvent, useState } from 'react';
import { SignedIn } from '@/core/trade/people/people';
import { Button } from '../kit/Button';
import { Field, Input } from '../kit/Field';
import { PlainPage, Wrong } from './formParts';
import { useAsk } from './useAsk';

/** Where one was led here from: a place of ours, and of nobody else's. */
function nextPlace(): string {
  const next = new URLSearchParams(window.location.search).get('next') ?? '/';
  const url = new URL(next, window.location.origin);
  return url.origin === window.location.origin && /^\/(?![/\\])/.test(next) ? next : '/';
}

/** Name and password, and the second factor where there is one. */
export function SignInForm() {
  const { ask, busy, wrong } = useAsk();
  const [second, setSecond] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const words = (name: string) => String(form.get(name) ?? '');
    const body = { login: words('login'), password: words('password'), code: words('code') };
    const answer = await ask('/api/sign-in', SignedIn, body);
    if (answer?.next === 'code') setSecond(true);
    // The whole page anew: nothing of who was here before stays in it.
    if (answer?.next === 'in') window.location.assign(nextPlace());
  };
  return (
    <PlainPage title="Sign in" about="Good Shelf, for those whom a firm let in.">
      <form onSubmit={(event) => void submit(event)} className="mt-5 grid max-w-sm gap-4">
        <Field label="Name that you sign in with">
          {(ids) => (
            <Input {...ids} name="login" autoComplete="username" autoCapitalize="none" required maxLength={80} />
          )}
        </Field>
        <Field label="Password">
          {(ids) => (
            <Input {...ids} name="password" type="password" autoComplete="current-password" required maxLength={128} />
          )}
        </Field>
        {second && (
          <Field label="Code" help="Of your telephone, or one of the recovery codes.">
            {(ids) => (
              <Input {...ids} name="code" autoComplete="one-time-code" inputMode="numeric" required autoFocus />
            )}
          </Field>
        )}
        <Wrong words={wrong} />
        <div>
          <Button look="main" big type="submit" disabled={busy}>
            Sign in
          </Button>
        </div>
        <p className="text-soft">
          No account? Somebody who owns a firm here invites you with a link. Password forgotten? They make you a link
          for a new one.
        </p>
      </form>
    </PlainPage>
  );
}
