import { useEffect, useState } from 'react';
import type { z } from 'zod';
import { VersionsAnswer } from '@/core/exchange/wire/wire';
import { Comparison } from '../drawing/Comparison';
import { FileLink } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { askServer } from '../session/wireClient';

type Versions = z.infer<typeof VersionsAnswer>;

/** Any two versions side by side: as planned against as built; and what was built otherwise, by whom and why. */
export function BuiltView() {
  const job = useSession((session) => session.job);
  const here = useSession((session) => session.confirmed.point.revision);
  const [known, setKnown] = useState<Versions | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const [from, setFrom] = useState<string | null>(null);
  const [to, setTo] = useState('now');
  useEffect(() => {
    askServer(`/api/jobs/${job.id}/versions`, VersionsAnswer).then(setKnown, (wrong: Error) => setFault(wrong.message));
  }, [job.id]);
  const versions = known?.versions ?? [];
  const first = from ?? (versions.at(-1) ? String(versions.at(-1)?.revision) : '0');
  const options = [
    { value: 'now', words: 'as it is now' },
    ...versions.map((one) => ({ value: String(one.revision), words: `${one.name} (step ${one.revision})` })),
    { value: '0', words: 'the beginning' },
  ];
  const revision = (value: string) => (value === 'now' ? here : Number(value));
  const otherwise = Object.values(job.ticks).filter(({ note, state }) => note !== '' || state !== 'done');
  return (
    <Scroll label="As built">
      {fault && (
        <p role="alert" className="font-semibold text-wont">
          {fault}
        </p>
      )}
      <div className="grid max-w-3xl items-end gap-3 sm:grid-cols-[1fr_1fr_auto]">
        <CommitSelect label="As planned" value={first} options={options} onCommit={setFrom} />
        <CommitSelect label="As built" value={to} options={options} onCommit={setTo} />
        {first !== to && (
          <FileLink href={`/api/jobs/${job.id}/compared?from=${revision(first)}&to=${revision(to)}`}>
            Red and black, PDF
          </FileLink>
        )}
      </div>
      {versions.length === 0 && known && (
        <p className="max-w-[70ch] text-[13px] text-soft">
          No state has a name yet. Name one under Changes, such as “as tendered”, and what came after is held against it
          here.
        </p>
      )}
      {otherwise.length > 0 && (
        <section aria-label="Built otherwise">
          <Heading>What was done otherwise, as it was noted at the rack</Heading>
          <ul className="text-[13px]">
            {otherwise.map(({ id, step, state, note, by, at }) => (
              <li key={id} className="border-b py-0.5">
                <b>{state === 'done' ? 'done' : state}</b> {note || step}
                <span className="text-soft"> {[at.replace('T', ' '), by].filter(Boolean).join(' · ')}</span>
              </li>
            ))}
          </ul>
        </section>
      )}
      {revision(first) === revision(to) ? (
        <p>These are the same: there is no difference.</p>
      ) : (
        <Comparison key={`${first} ${to}`} jobId={job.id} from={revision(first)} to={revision(to)} />
      )}
    </Scroll>
  );
}
