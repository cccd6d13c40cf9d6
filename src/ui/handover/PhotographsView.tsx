import { forgetFile } from '../kit/keptFiles';
import { Album, Photographs, usePhotographs } from '../kit/Photographs';
import { Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';

/** All photographs of the job: of the whole, and of places, runs, devices, steps and faults. */
export function PhotographsView() {
  const job = useSession((session) => session.job);
  const { photographs, work } = usePhotographs(null);
  const others = photographs?.filter(({ about }) => about !== '') ?? [];
  return (
    <Scroll label="Photographs">
      <p className="max-w-[70ch] text-[13px]">
        They are made smaller and freed of place data before they leave the browser, and are in the pack and in the file
        that answers on any phone. Those of a room or a place are taken on the plan, those of a device in its sheet, of
        a run under Prove, of a step under Build, of a fault where it was found.
      </p>
      <Photographs about="" of={job.name} />
      {others.length > 0 && (
        <section aria-label="Of places, runs, devices, steps and faults">
          <Heading>Of places, runs, devices, steps and faults</Heading>
          <Album photographs={others} onForget={(id) => void work(() => forgetFile(job.id, id))} />
        </section>
      )}
    </Scroll>
  );
}
