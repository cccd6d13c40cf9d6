import { useState } from 'react';
import { PACK_SECTIONS, type PackSectionId, USUAL_SECTIONS } from '@/core/exchange/handover/packSections';
import { GATE_KINDS, gateOf } from '@/core/trade/testing/gate';
import { AnswerField } from '../kit/AnswerField';
import { JobLink } from '../kit/JobLink';
import { TakeawayLink } from '../kit/TakeawayLink';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';

const KIND_WORDS = { run: 'Runs', cord: 'Cords', uplink: 'Uplinks', feed: 'Power feeds' } as const;

/** Everything that is handed over: what still keeps it, and the pack in its forms. */
export function PackView() {
  const job = useSession((session) => session.job);
  const [chosen, setChosen] = useState<readonly PackSectionId[]>(USUAL_SECTIONS);
  const gate = gateOf(job);
  const open = gate.filter((one) => one.open);
  const of = (kind: (typeof GATE_KINDS)[number]) => gate.filter((one) => one.kind === kind);
  const toggle = (id: PackSectionId) =>
    setChosen(chosen.includes(id) ? chosen.filter((one) => one !== id) : [...chosen, id]);
  return (
    <Scroll label="The pack">
      <Figures>
        {GATE_KINDS.filter((kind) => of(kind).length > 0).map((kind) => (
          <Figure key={kind} name={`${KIND_WORDS[kind]} proven or accepted`}>
            {of(kind).filter((one) => !one.open).length} of {of(kind).length}
          </Figure>
        ))}
      </Figures>
      {gate.length === 0 ? (
        <p>There is nothing yet that could be handed over: it begins with runs.</p>
      ) : open.length > 0 ? (
        <p className="max-w-[70ch] border-bite border-l-4 pl-3">
          <b className="text-bite">{open.length} things are not proven and nobody accepted them.</b> The pack says so of
          each.{' '}
          <JobLink href={`/jobs/${job.id}/prove/board`} className="underline">
            See what is open
          </JobLink>
        </p>
      ) : (
        <p className="font-semibold text-good">Every run, cord, uplink and feed is proven, or accepted by name.</p>
      )}
      <div className="grid gap-6 lg:grid-cols-2">
        <section aria-label="On any phone" className="grid content-start gap-2">
          <Heading>One file that answers on any phone</Heading>
          <p className="max-w-[60ch] text-[13px]">
            Opens in any browser from disk, without network: search by label, room, port or device, every path, the
            drawings, cautions, open points and dates of care.
          </p>
          <div className="flex flex-wrap gap-2">
            <TakeawayLink of="handover.html" main />
            <TakeawayLink of="door.pdf" />
          </div>
        </section>
        <section aria-label="As open files" className="grid content-start gap-2">
          <Heading>As open files</Heading>
          <p className="max-w-[60ch] text-[13px]">
            The job, all lists and drawings, files of testers, with their sums. <code>bin/shelf verify</code> checks it,
            and a new job can be started from it.
          </p>
          <div className="flex flex-wrap gap-2">
            <TakeawayLink of="pack.zip" />
            <TakeawayLink of="job.json" />
          </div>
        </section>
      </div>
      <section aria-label="On paper" className="grid gap-2">
        <Heading>On paper</Heading>
        <div className="grid gap-3 sm:grid-cols-2">
          <AnswerField id="firm" />
          <AnswerField id="keys-kept" />
        </div>
        <fieldset className="grid gap-x-6 sm:grid-cols-2 lg:grid-cols-3">
          <legend className="text-[13px] text-soft">What is in it. Passwords and keys never are.</legend>
          {PACK_SECTIONS.map(({ id, words }) => (
            <label key={id} className="flex min-h-8 items-center gap-2">
              <input
                type="checkbox"
                checked={chosen.includes(id)}
                onChange={() => toggle(id)}
                className="size-4 accent-act"
              />
              {words}
            </label>
          ))}
        </fieldset>
        <div>
          {chosen.length > 0 ? (
            <TakeawayLink of="pack.pdf" main options={{ sections: chosen.join(',') }} />
          ) : (
            <p className="text-[13px] text-soft">Choose at least one part.</p>
          )}
        </div>
      </section>
    </Scroll>
  );
}
