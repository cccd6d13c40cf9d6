'use client';

import { type FormEvent, useState } from 'react';
import { Firm, PassAnswer, PURPOSE_WORDS, ROLE_WORDS, ROLES, Shares } from '@/core/trade/people/people';
import { Button } from '../kit/Button';
import { Field, Input, Select } from '../kit/Field';
import { Heading } from '../kit/viewParts';
import { CopyLink } from './CopyLink';
import { PlainPage, Wrong } from './formParts';
import { ProofSheet } from './ProofSheet';
import { useAsk } from './useAsk';

const moment = (iso: string): string => iso.slice(0, 16).replace('T', ' ');

/** A firm for its owners: members, invitations, and who did what. */
export function FirmPage({ given, me }: { given: Firm; me: string }) {
  const [firm, setFirm] = useState(given);
  return (
    <PlainPage title={firm.name} about={`Number of the firm, for another one that gives it a job: ${firm.id}`} back>
      <div className="mt-4 grid gap-8">
        <Members firm={firm} me={me} onFirm={setFirm} />
        <Invite firm={firm} onFirm={setFirm} />
        {firm.left.length > 0 && <LeftLinks firm={firm} onFirm={setFirm} />}
        <Name firm={firm} onFirm={setFirm} />
        <section aria-label="What happened" className="grid gap-2">
          <Heading>What happened</Heading>
          <p className="text-[13px] text-soft">
            Latest first, UTC. Steps in a job stand in its list of changes, with who did them.
          </p>
          <ol className="mt-2">
            {firm.happenings.map(({ who, what, at }) => (
              <li key={`${at} ${who} ${what}`} className="flex flex-wrap gap-x-3 border-b py-1">
                <time className="font-mono text-[13px] text-soft" dateTime={at}>
                  {moment(at)}
                </time>
                <span className="min-w-0 break-words">
                  <b>{who}</b> {what}
                </span>
              </li>
            ))}
          </ol>
        </section>
      </div>
      <ProofSheet />
    </PlainPage>
  );
}

type Part = { firm: Firm; onFirm: (firm: Firm) => void };

function Members({ firm, me, onFirm }: Part & { me: string }) {
  const { ask, wrong } = useAsk();
  const [link, setLink] = useState<{ path: string; name: string } | null>(null);
  const set = (id: string, role: string) =>
    void ask(`/api/firm/members/${id}`, Firm, { role }).then((next) => next && onFirm(next));
  return (
    <section aria-label="Members" className="grid gap-2">
      <Heading>Members</Heading>
      <ul>
        {firm.members.map(({ id, name, login, role }) => (
          <li key={id} className="flex flex-wrap items-center gap-2 border-b py-1.5">
            <span className="min-w-40 flex-1">
              <b>{name}</b>
              {id === me && ', you'} <span className="text-soft">{login}</span>
            </span>
            <Select
              aria-label={`Role of ${name}`}
              value={role}
              className="w-auto! max-w-full"
              onChange={(event) => set(id, event.target.value)}
            >
              {ROLES.map((one) => (
                <option key={one} value={one}>
                  {ROLE_WORDS[one]}
                </option>
              ))}
            </Select>
            <Button
              aria-label={`New password of ${name}: a link`}
              onClick={() =>
                void ask(`/api/firm/members/${id}/reset`, PassAnswer, {}).then(
                  (made) => made && setLink({ path: made.path, name }),
                )
              }
            >
              New password
            </Button>
            <Button
              look="quiet"
              aria-label={`Take off ${name}`}
              onClick={() =>
                void ask(`/api/firm/members/${id}`, Firm, undefined, 'DELETE').then((next) => next && onFirm(next))
              }
            >
              Take off
            </Button>
          </li>
        ))}
      </ul>
      <Wrong words={wrong} />
      {link && (
        <CopyLink
          key={link.path}
          path={link.path}
          words={`Give this to ${link.name} yourself. It sets a new password once, within a day, and is shown only now.`}
        />
      )}
    </section>
  );
}

function Invite({ firm, onFirm }: Part) {
  const { ask, busy, wrong } = useAsk();
  const [path, setPath] = useState<string | null>(null);
  const invite = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const role = String(new FormData(event.currentTarget).get('role'));
    const made = await ask('/api/firm/invitations', PassAnswer, { role });
    if (!made) return;
    setPath(made.path);
    const next = await ask('/api/firm', Firm, undefined, 'GET');
    if (next) onFirm(next);
  };
  return (
    <section aria-label="Invite" className="grid gap-2">
      <Heading>Invite somebody</Heading>
      <form onSubmit={(event) => void invite(event)} className="flex flex-wrap items-end gap-2">
        <div className="min-w-72 flex-1">
          <Field label="As">
            {(ids) => (
              <Select {...ids} name="role" defaultValue="installer">
                {ROLES.map((one) => (
                  <option key={one} value={one}>
                    {ROLE_WORDS[one]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        </div>
        <Button type="submit" look="main" disabled={busy} className="mb-1">
          Make a link
        </Button>
      </form>
      <Wrong words={wrong} />
      {path && (
        <CopyLink
          key={path}
          path={path}
          words="Give this to them yourself: no mail is sent. It works once, within a week, and is shown only now."
        />
      )}
      <ul className="mt-2">
        {firm.open.map(({ id, kind, role, whom, madeBy, until }) => {
          const what = kind === 'join' ? `Invitation as ${role}` : `New password of ${whom}`;
          return (
            <li key={id} className="flex flex-wrap items-center gap-2 border-b py-1.5">
              <span className="min-w-40 flex-1">
                {what}
                <span className="block text-[13px] text-soft">
                  not used yet · made by {madeBy} · until {moment(until)} (UTC)
                </span>
              </span>
              <Button
                aria-label={`Withdraw: ${what}, until ${moment(until)}`}
                onClick={() =>
                  void ask(`/api/firm/invitations/${id}`, Firm, undefined, 'DELETE').then(
                    (next) => next && onFirm(next),
                  )
                }
              >
                Withdraw
              </Button>
            </li>
          );
        })}
      </ul>
    </section>
  );
}

/** Links to jobs that go on answering, though who made them left. */
function LeftLinks({ firm, onFirm }: Part) {
  const { ask, wrong } = useAsk();
  const takeBack = async (jobId: string, id: string) => {
    if (!(await ask(`/api/jobs/${jobId}/shares/${id}`, Shares, undefined, 'DELETE'))) return;
    const next = await ask('/api/firm', Firm, undefined, 'GET');
    if (next) onFirm(next);
  };
  return (
    <section aria-label="Links of people who left" className="grid gap-2">
      <Heading>Links of people who left</Heading>
      <p className="text-[13px] text-soft">Their build and test links have ended. These read-only links still work.</p>
      <ul>
        {firm.left.map(({ id, jobId, jobName, purpose, whom, madeBy, until }) => (
          <li key={id} className="flex flex-wrap items-center gap-2 border-b py-1.5">
            <span className="min-w-40 flex-1 break-words">
              <b>{jobName}</b>, for {whom}: {PURPOSE_WORDS[purpose]}
              <span className="block text-[13px] text-soft">
                made by {madeBy} · until {until.slice(0, 10)}
              </span>
            </span>
            <Button aria-label={`Take back the link of ${whom} to ${jobName}`} onClick={() => void takeBack(jobId, id)}>
              Take back
            </Button>
          </li>
        ))}
      </ul>
      <Wrong words={wrong} />
    </section>
  );
}

function Name({ firm, onFirm }: Part) {
  const { ask, busy, wrong } = useAsk();
  return (
    <section aria-label="Name of the firm" className="grid gap-2">
      <Heading>Name</Heading>
      <form
        className="flex flex-wrap items-end gap-2"
        onSubmit={async (event) => {
          event.preventDefault();
          const name = String(new FormData(event.currentTarget).get('name'));
          const next = await ask('/api/firm', Firm, { name });
          if (next) onFirm(next);
        }}
      >
        <Input
          name="name"
          aria-label="Name of the firm"
          defaultValue={firm.name}
          maxLength={80}
          required
          className="w-72!"
        />
        <Button type="submit" disabled={busy}>
          Call it so
        </Button>
      </form>
      <Wrong words={wrong} />
    </section>
  );
}
