'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { useForm } from 'react-hook-form';
import type { z } from 'zod';
import { Join, SignedIn } from '@/core/trade/people/people';
import { Button } from '../kit/Button';
import { Field, Input } from '../kit/Field';
import { PlainPage, Wrong } from './formParts';
import { NewPasswordField } from './NewPasswordField';
import { useAsk } from './useAsk';

const Form = Join.omit({ token: true });

/** Take an invitation: a name, and a password. */
export function JoinForm({ token, firm, madeBy }: { token: string; firm: string; madeBy: string }) {
  const { ask, busy, wrong } = useAsk();
  const { register, handleSubmit, formState } = useForm<z.infer<typeof Form>>({ resolver: zodResolver(Form) });
  const { errors } = formState;
  return (
    <PlainPage title={`Join ${firm}`} about={`${madeBy} invited you. This link works once.`}>
      <form
        noValidate
        className="mt-5 grid max-w-sm gap-4"
        onSubmit={handleSubmit(async (form) => {
          if (await ask('/api/join', SignedIn, { token, ...form })) window.location.assign('/');
        })}
      >
        <Field label="Your name" help="Stands beside what you do." wrong={errors.name?.message}>
          {(ids) => <Input {...ids} {...register('name')} autoComplete="name" />}
        </Field>
        <Field label="Name to sign in with" help="Short, without blanks." wrong={errors.login?.message}>
          {(ids) => <Input {...ids} {...register('login')} autoComplete="username" autoCapitalize="none" />}
        </Field>
        <NewPasswordField
          label="Password"
          help="At least 12 characters: a few words that do not belong together are better than odd signs."
          wrong={errors.password?.message}
          {...register('password')}
        />
        <Wrong words={wrong} />
        <div>
          <Button look="main" big type="submit" disabled={busy}>
            Join
          </Button>
        </div>
      </form>
    </PlainPage>
  );
}
