import { useState } from 'react';
import { indexJob } from '@/core/job/document/jobIndex';
import type { Place } from '@/core/job/records/place';
import { Select } from '../kit/Field';
import { Photographs } from '../kit/Photographs';
import { useSession } from '../session/session';
import { PLACE_WORDS } from '../survey/placeWords';

const placeName = ({ kind, name }: Place): string =>
  name === '' ? PLACE_WORDS[kind].name : `${PLACE_WORDS[kind].name}: ${name}`;

/** A photograph of the run that was found, of a device, of a room or a place in it, or of the job as it stands. */
export function PhotoView() {
  const job = useSession((session) => session.job);
  const selected = useSession((session) => session.selectedRunId);
  const [about, setAbout] = useState(selected ?? '');
  const { gearInOrder } = indexJob(job);
  const run = job.runs[about];
  const place = job.places[about];
  const of = run
    ? `Run ${run.label}`
    : place
      ? placeName(place)
      : (job.gear[about]?.name ?? job.rooms[about]?.name ?? job.name);
  const first = job.runs[selected ?? ''];
  return (
    <div className="grid gap-3">
      <div className="grid gap-1">
        <label htmlFor="of-what">What is on it</label>
        <Select
          id="of-what"
          value={about}
          onChange={(event) => setAbout(event.target.value)}
          className="min-h-14 text-lg!"
        >
          <option value="">{job.name}, as it stands</option>
          {first && <option value={first.id}>Run {first.label}</option>}
          <optgroup label="Devices">
            {gearInOrder.map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </optgroup>
          <optgroup label="Rooms">
            {Object.values(job.rooms).map(({ id, name }) => (
              <option key={id} value={id}>
                {name}
              </option>
            ))}
          </optgroup>
          {Object.keys(job.places).length > 0 && (
            <optgroup label="Places">
              {Object.values(job.places).map((one) => (
                <option key={one.id} value={one.id}>
                  {placeName(one)}
                </option>
              ))}
            </optgroup>
          )}
        </Select>
      </div>
      <Photographs key={about} about={about} of={of} big />
    </div>
  );
}
