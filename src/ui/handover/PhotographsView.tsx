import { useSession } from '../job/session';
import { forgetFile } from '../kit/keptFiles';
import { Album, Photographs, usePhotographs } from '../kit/Photographs';
import { Heading, Scroll } from '../kit/viewParts';

/** All photographs of the job: of the whole, and of runs, devices and steps. */
export function PhotographsView() {
  const job = useSession((session) => session.job);
  const { photographs, work } = usePhotographs(null);
  const others = photographs?.filter(({ about }) => about !== '') ?? [];
  return (
    <Scroll label="Photographs">
      <p className="max-w-[70ch] text-[13px]">
        They are made smaller and freed of place data before they leave the browser, and are in the pack and in the file
        that answers on any phone. Those of a run are taken under Prove, those of a step under Build.
      </p>
      <Photographs about="" of={job.name} />
      {others.length > 0 && (
        <section aria-label="Of runs, devices and steps">
          <Heading>Of runs, devices and steps</Heading>
          <Album photographs={others} onForget={(id) => void work(() => forgetFile(job.id, id))} />
        </section>
      )}
    </Scroll>
  );
}
