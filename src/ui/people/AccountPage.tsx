'use client';

import { type FormEvent, useState } from 'react';
import type { z } from 'zod';
import { counted } from '@/core/base/text/counted';
import { Me, ROLE_WORDS, SecondAnswer } from '@/core/trade/people/people';
import { Button } from '../kit/Button';
import { Field, Input } from '../kit/Field';
import { Heading } from '../kit/viewParts';
import { PlainPage, Wrong } from './formParts';
import { NewPasswordField } from './NewPasswordField';
import { SignOutButton } from './SignOutButton';
import { useAsk } from './useAsk';

const fields = (event: FormEvent<HTMLFormElement>): Record<string, string> => {
  event.preventDefault();
  return Object.fromEntries([...new FormData(event.currentTarget)].map(([name, value]) => [name, String(value)]));
};
const moment = (iso: string): string => iso.slice(0, 16).replace('T', ' ');

/** One's own account: firms, password, second factor, and where one is signed in. */
export function AccountPage({ given }: { given: Me }) {
  const [me, setMe] = useState(given);
  return (
    <PlainPage title={me.name} about={`Signs in as ${me.login}.`} back>
      <div className="mt-4 grid gap-8">
        <Firms me={me} onMe={setMe} />
        <Password onMe={setMe} />
        <Second me={me} onMe={setMe} />
        <Devices me={me} onMe={setMe} />
        <div>
          <SignOutButton />
          <p className="mt-1 text-[13px] text-soft">What this device keeps of the jobs goes with it.</p>
        </div>
      </div>
    </PlainPage>
  );
}

type Part = { me: Me; onMe: (me: Me) => void };

function Firms({ me, onMe }: Part) {
  const { ask, wrong } = useAsk();
  if (me.firms.length === 0) return <p>You are not a member of a firm: you see the jobs that were opened to you.</p>;
  return (
    <section aria-label="Firms" className="grid gap-2">
      <Heading>Firms</Heading>
      <ul>
        {me.firms.map(({ id, name, role }) => (
          <li key={id} className="flex flex-wrap items-center gap-3 border-b py-1.5">
            <span className="min-w-0 flex-1">
              <b>{name}</b> <span className="text-soft">{ROLE_WORDS[role]}</span>
            </span>
            {id === me.firmId ? (
              <span className="text-soft">the one you work for now</span>
            ) : (
              <Button onClick={() => void ask('/api/me/firm', Me, { firm: id }).then((next) => next && onMe(next))}>
                Work for {name}
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Wrong words={wrong} />
    </section>
  );
}

function Password({ onMe }: Pick<Part, 'onMe'>) {
  const { ask, busy, wrong } = useAsk();
  const [done, setDone] = useState(false);
  const submit = async (event: FormEvent<HTMLFormElement>) => {
    const form = event.currentTarget;
    const me = await ask('/api/me/password', Me, fields(event));
    setDone(me !== null);
    if (!me) return;
    form.reset();
    onMe(me);
  };
  return (
    <section aria-label="Password" className="grid gap-2">
      <Heading>Password</Heading>
      <form onSubmit={(event) => void submit(event)} className="grid max-w-sm gap-3">
        <Field label="Password as it is">
          {(ids) => <Input {...ids} name="before" type="password" autoComplete="current-password" required />}
        </Field>
        <NewPasswordField
          label="New password"
          help="At least 12 characters. Other devices are signed out."
          name="password"
          required
          minLength={12}
        />
        <Wrong words={wrong} />
        {done && <p role="status">The new password holds. Other devices are signed out.</p>}
        <div>
          <Button type="submit" disabled={busy}>
            Set the new password
          </Button>
        </div>
      </form>
    </section>
  );
}

function Second({ me, onMe }: Part) {
  const { ask, busy, wrong } = useAsk();
  const [begun, setBegun] = useState<z.infer<typeof SecondAnswer> | null>(null);
  const [codes, setCodes] = useState<string[] | null>(null);
  const send = async (body: object) => ask('/api/me/second', SecondAnswer, body);
  const again = async () => {
    const next = await ask('/api/me', Me, undefined, 'GET');
    if (next) onMe(next);
  };
  return (
    <section aria-label="Second factor" className="grid gap-2">
      <Heading>Second factor</Heading>
      {codes && (
        <div role="status" className="mb-3 border-2 border-strong bg-sheet p-3">
          <p className="font-semibold">
            Recovery codes: each lets you in once without the telephone. They are shown only now.
          </p>
          <ul className="mt-2 grid grid-cols-2 gap-1 font-mono">
            {codes.map((code) => (
              <li key={code}>{code}</li>
            ))}
          </ul>
        </div>
      )}
      {me.second ? (
        <form
          className="grid max-w-sm gap-3"
          onSubmit={async (event) => {
            if (await send({ step: 'end', ...fields(event) })) {
              setCodes(null);
              await again();
            }
          }}
        >
          <p>A code of your telephone is asked for when you sign in. {counted(me.codesLeft, 'recovery code')} left.</p>
          <Field label="Password, to end the second factor">
            {(ids) => <Input {...ids} name="password" type="password" autoComplete="current-password" required />}
          </Field>
          <Wrong words={wrong} />
          <div>
            <Button type="submit" disabled={busy}>
              End the second factor
            </Button>
          </div>
        </form>
      ) : begun?.sealed ? (
        <form
          className="grid max-w-sm gap-3"
          onSubmit={async (event) => {
            const answer = await send({ step: 'hold', sealed: begun.sealed, ...fields(event) });
            if (!answer) return;
            setBegun(null);
            setCodes(answer.codes ?? []);
            await again();
          }}
        >
          <p>Scan this with an application for time codes, or type the secret into it.</p>
          <div
            className="w-44 bg-white [&_svg]:h-auto [&_svg]:w-full"
            role="img"
            aria-label="The secret as a code to scan"
            // biome-ignore lint/security/noDangerouslySetInnerHtml: a drawing that our own server made of a secret of its own
            dangerouslySetInnerHTML={{ __html: begun.picture ?? '' }}
          />
          <p className="break-all font-mono">{begun.secret}</p>
          <Field label="Code that it shows">
            {(ids) => <Input {...ids} name="code" inputMode="numeric" autoComplete="one-time-code" required />}
          </Field>
          <Wrong words={wrong} />
          <div>
            <Button look="main" type="submit" disabled={busy}>
              Hold it
            </Button>
          </div>
        </form>
      ) : (
        <form
          className="grid max-w-sm gap-3"
          onSubmit={async (event) => {
            const answer = await send({ step: 'begin', ...fields(event) });
            if (answer) setBegun(answer);
          }}
        >
          <p>Besides the password, a code that your telephone makes anew every half minute.</p>
          <Field label="Password, to begin">
            {(ids) => <Input {...ids} name="password" type="password" autoComplete="current-password" required />}
          </Field>
          <Wrong words={wrong} />
          <div>
            <Button type="submit" disabled={busy}>
              Begin a second factor
            </Button>
          </div>
        </form>
      )}
    </section>
  );
}

function Devices({ me, onMe }: Part) {
  const { ask, wrong } = useAsk();
  return (
    <section aria-label="Signed in" className="grid gap-2">
      <Heading>Where you are signed in</Heading>
      <ul>
        {me.devices.map(({ id, device, madeAt, seenAt, here }) => (
          <li key={id} className="flex flex-wrap items-center gap-3 border-b py-1.5">
            <span className="min-w-0 flex-1">
              <b>{device}</b>
              {here && ', this one'}
              <span className="block text-[13px] text-soft">
                since {moment(madeAt)}, last seen {moment(seenAt)} (UTC)
              </span>
            </span>
            {!here && (
              <Button
                aria-label={`Sign it out: ${device}, since ${moment(madeAt)}`}
                onClick={() =>
                  void ask(`/api/me/devices/${id}`, Me, undefined, 'DELETE').then((next) => next && onMe(next))
                }
              >
                Sign it out
              </Button>
            )}
          </li>
        ))}
      </ul>
      <Wrong words={wrong} />
    </section>
  );
}
