'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { Reset, SignedOut } from '@/core/trade/people/people';
import { Button } from '../kit/Button';
import { PlainPage, Wrong } from './formParts';
import { NewPasswordField } from './NewPasswordField';
import { useAsk } from './useAsk';

const Form = Reset.omit({ token: true });

/** A new password by a link that works once. */
export function ResetForm({ token, login, madeBy }: { token: string; login: string; madeBy: string }) {
  const { ask, busy, wrong } = useAsk();
  const { register, handleSubmit, formState } = useForm<z.infer<typeof Form>>({ resolver: zodResolver(Form) });
  return (
    <PlainPage
      title="A new password"
      about={`${madeBy} made this link. It works once. Wherever you are signed in now, that ends.`}
    >
      <form
        noValidate
        className="mt-5 grid max-w-sm gap-4"
        onSubmit={handleSubmit(async (form) => {
          if (await ask('/api/reset', SignedOut, { token, ...form })) window.location.assign('/sign-in');
        })}
      >
        <input
          type="text"
          value={login}
          readOnly
          autoComplete="username"
          className="sr-only"
          aria-hidden
          tabIndex={-1}
        />
        <NewPasswordField
          label={`New password of ${login}`}
          help="At least 12 characters: a few words that do not belong together."
          wrong={formState.errors.password?.message}
          {...register('password')}
        />
        <Wrong words={wrong} />
        <div>
          <Button look="main" big type="submit" disabled={busy}>
            Set it
          </Button>
        </div>
      </form>
    </PlainPage>
  );
}
