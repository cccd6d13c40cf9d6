import { type FormEvent, useEffect, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import {
  GUEST_ROLES,
  MOST_LINK_DAYS,
  PURPOSE_WORDS,
  PURPOSES,
  type Purpose,
  ROLE_WORDS,
  type Share,
  ShareMade,
  Shares,
  SignedOut,
  writes,
} from '@/core/trade/people/people';
import { Button } from '../kit/Button';
import { Field, Input, Select } from '../kit/Field';
import { Sheet } from '../kit/Sheet';
import { Heading } from '../kit/viewParts';
import { useSession } from '../session/session';
import { CopyLink } from './CopyLink';
import { Wrong } from './formParts';
import { useAsk } from './useAsk';

const day = (iso: string | null): string => (iso ?? '').slice(0, 10);

/** Who else may come to this job: by a link, or as a guest from another firm. */
export function ShareSheet({ onClose }: { onClose: () => void }) {
  const jobId = useSession((session) => session.job.id);
  const { ask, wrong } = useAsk();
  const [shares, setShares] = useState<Shares | null>(null);
  // biome-ignore lint/correctness/useExhaustiveDependencies: read once, when the sheet opens
  useEffect(() => {
    void ask(`/api/jobs/${jobId}/shares`, Shares, undefined, 'GET').then((next) => next && setShares(next));
  }, [jobId]);
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title="Links and guests"
      about="A link is for one thing in this job and for so many days. A guest is a member of another firm."
    >
      <Wrong words={wrong} />
      <div className="grid gap-6 md:grid-cols-2">
        <Links jobId={jobId} shares={shares} onShares={setShares} />
        <div className="grid content-start gap-6">
          <Guests jobId={jobId} shares={shares} onShares={setShares} />
          <Give jobId={jobId} />
        </div>
      </div>
    </Sheet>
  );
}

type Part = { jobId: string; shares: Shares | null; onShares: (shares: Shares) => void };

function Links({ jobId, shares, onShares }: Part) {
  const racks = useSession((session) => session.job.racks);
  const { ask, busy, wrong } = useAsk();
  const [purpose, setPurpose] = useState<Purpose>('read');
  const [path, setPath] = useState<string | null>(null);
  const make = async (event: FormEvent<HTMLFormElement>) => {
    event.preventDefault();
    const form = new FormData(event.currentTarget);
    const rackId = purpose === 'cabinet' ? String(form.get('rack')) : null;
    const body = { purpose, rackId, whom: String(form.get('whom')), days: Number(form.get('days')) };
    const made = await ask(`/api/jobs/${jobId}/shares`, ShareMade, body);
    if (!made) return;
    setPath(made.path);
    onShares(made);
  };
  return (
    <section aria-label="Links" className="grid content-start gap-2">
      <Heading>Links</Heading>
      <form onSubmit={(event) => void make(event)} className="grid gap-3">
        <div className="grid grid-cols-2 items-start gap-3">
          <Field label="For">
            {(ids) => (
              <Select {...ids} value={purpose} onChange={(event) => setPurpose(event.target.value as Purpose)}>
                {PURPOSES.map((one) => (
                  <option key={one} value={one}>
                    {PURPOSE_WORDS[one]}
                  </option>
                ))}
              </Select>
            )}
          </Field>
          <Field label="Days" help={`1 to ${MOST_LINK_DAYS}.`}>
            {(ids) => (
              <Input {...ids} name="days" type="number" min={1} max={MOST_LINK_DAYS} defaultValue={30} required />
            )}
          </Field>
        </div>
        {purpose === 'cabinet' && (
          <Field label="Cabinet">
            {(ids) => (
              <Select {...ids} name="rack">
                {Object.values(racks).map(({ id, name }) => (
                  <option key={id} value={id}>
                    {name}
                  </option>
                ))}
              </Select>
            )}
          </Field>
        )}
        <Field label="Who gets it" help="Stands beside what they do.">
          {(ids) => <Input {...ids} name="whom" maxLength={80} required autoComplete="off" />}
        </Field>
        <Wrong words={wrong} />
        <div>
          <Button look="main" type="submit" disabled={busy}>
            Make a link
          </Button>
        </div>
      </form>
      {path && (
        <div className="mt-3">
          <CopyLink key={path} path={path} words="Whoever has this link can do what it is for. It is shown only now." />
        </div>
      )}
      <ul className="mt-3">
        {shares?.links.map((one) => (
          <LinkLine
            key={one.id}
            one={one}
            rack={one.rackId === null ? '' : (racks[one.rackId]?.name ?? 'a cabinet that is gone')}
            onTakeBack={() =>
              void ask(`/api/jobs/${jobId}/shares/${one.id}`, Shares, undefined, 'DELETE').then(
                (next) => next && onShares(next),
              )
            }
          />
        ))}
      </ul>
      {shares?.links.length === 0 && <p className="mt-2 text-soft">No links were made.</p>}
    </section>
  );
}

function LinkLine({ one, rack, onTakeBack }: { one: Share; rack: string; onTakeBack: () => void }) {
  const [over, setOver] = useState(true);
  // The clock of the browser is asked after the page is drawn.
  useEffect(() => setOver(new Date(one.until) < new Date()), [one.until]);
  const state = one.revokedAt
    ? `taken back ${day(one.revokedAt)}`
    : over
      ? `over since ${day(one.until)}`
      : !one.makerThere && writes(one.purpose)
        ? 'ended with the role of who made it'
        : null;
  return (
    <li className="flex flex-wrap items-center gap-2 border-b py-1.5">
      <span className={`min-w-0 flex-1 break-words ${state ? 'text-soft' : ''}`}>
        <b>{one.whom}</b>: {PURPOSE_WORDS[one.purpose]}
        {rack && `, ${rack}`}
        <span className="block text-[13px] text-soft">
          {state ?? `until ${day(one.until)}`} · made by {one.madeBy}
          {one.makerThere ? '' : ', who left'} ·{' '}
          {one.uses === 0 ? 'not used yet' : `${counted(one.uses, 'use')}, last ${day(one.usedAt)}`}
        </span>
      </span>
      {!state && (
        <Button aria-label={`Take back the link of ${one.whom}`} onClick={onTakeBack}>
          Take back
        </Button>
      )}
    </li>
  );
}

function Guests({ jobId, shares, onShares }: Part) {
  const { ask, busy, wrong } = useAsk();
  return (
    <section aria-label="Guests" className="grid gap-2">
      <Heading>Guests</Heading>
      <form
        className="grid gap-3"
        onSubmit={async (event) => {
          event.preventDefault();
          const form = event.currentTarget;
          const body = Object.fromEntries(new FormData(form));
          const next = await ask(`/api/jobs/${jobId}/guests`, Shares, body);
          if (!next) return;
          form.reset();
          onShares(next);
        }}
      >
        <Field label="Name that they sign in with">
          {(ids) => <Input {...ids} name="login" maxLength={80} required autoComplete="off" autoCapitalize="none" />}
        </Field>
        <Field label="As">
          {(ids) => (
            <Select {...ids} name="role" defaultValue="reader">
              {GUEST_ROLES.map((one) => (
                <option key={one} value={one}>
                  {ROLE_WORDS[one]}
                </option>
              ))}
            </Select>
          )}
        </Field>
        <Wrong words={wrong} />
        <div>
          <Button type="submit" disabled={busy}>
            Open the job to them
          </Button>
        </div>
      </form>
      <ul className="mt-2">
        {shares?.guests.map(({ id, name, role }) => (
          <li key={id} className="flex items-center gap-2 border-b py-1.5">
            <span className="min-w-0 flex-1">
              <b>{name}</b> <span className="text-soft">{role}</span>
            </span>
            <Button
              aria-label={`Close the job to ${name}`}
              onClick={() =>
                void ask(`/api/jobs/${jobId}/guests/${id}`, Shares, undefined, 'DELETE').then(
                  (next) => next && onShares(next),
                )
              }
            >
              Close
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Give({ jobId }: { jobId: string }) {
  const { ask, busy, wrong } = useAsk();
  return (
    <section aria-label="Give to another firm" className="grid gap-2">
      <Heading>Give it to another firm</Heading>
      <form
        className="grid gap-3"
        onSubmit={async (event) => {
          event.preventDefault();
          const body = Object.fromEntries(new FormData(event.currentTarget));
          if (await ask(`/api/jobs/${jobId}/given`, SignedOut, body)) window.location.assign('/');
        }}
      >
        <Field
          label="Number of the firm"
          help="Its owner finds it on the page of their firm. The job is theirs alone from then on; links and guests end."
        >
          {(ids) => <Input {...ids} name="firm" required maxLength={64} autoComplete="off" />}
        </Field>
        <Field label="Your password" help="Asked again, since only they can give it back.">
          {(ids) => <Input {...ids} name="password" type="password" required autoComplete="current-password" />}
        </Field>
        <Wrong words={wrong} />
        <div>
          <Button type="submit" disabled={busy}>
            Give the job away
          </Button>
        </div>
      </form>
    </section>
  );
}
