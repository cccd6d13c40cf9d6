import { PART_WORDS, SYMPTOM_WORDS } from '@/core/job/records/mend';
import type { Run } from '@/core/job/records/run';
import { forgetFile } from '../kit/keptFiles';
import { Album, Photographs, usePhotographs } from '../kit/Photographs';
import { Heading } from '../kit/viewParts';
import { useSession } from '../session/session';

/** What was found at a run before. */
export function FoundBefore({ run }: { run: Run }) {
  const job = useSession((session) => session.job);
  const here = Object.values(job.mends)
    .filter(({ runId }) => runId === run.id)
    .sort((a, b) => b.at.localeCompare(a.at));
  const { photographs, work } = usePhotographs(null);
  if (here.length === 0) return null;
  return (
    <section aria-label="Found before">
      <Heading>Found at {run.label} before</Heading>
      <ul className="text-[13px]">
        {here.map(({ id, symptom, part, words, minutes, by, at }) => (
          <li key={id} className="border-b py-0.5">
            <b>{PART_WORDS[part]}</b>: {SYMPTOM_WORDS[symptom]}. {words}
            <span className="text-soft">
              {' '}
              {[at.replace('T', ' '), by, minutes !== null && `${minutes} min`].filter(Boolean).join(' · ')}
            </span>
            <Album
              photographs={id === here[0]?.id ? [] : (photographs?.filter(({ about }) => about === id) ?? [])}
              onForget={(photo) => void work(() => forgetFile(job.id, photo))}
            />
          </li>
        ))}
      </ul>
      {here[0] && (
        <div className="mt-1">
          <Photographs about={here[0].id} of={`${PART_WORDS[here[0].part]}, run ${run.label}`} />
        </div>
      )}
    </section>
  );
}
