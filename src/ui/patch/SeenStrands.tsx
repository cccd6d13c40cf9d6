import { portKey } from '@/core/job/records/portKey';
import { Button } from '../kit/Button';
import { type SeenPlace, useSeenElsewhere } from '../kit/seenElsewhere';
import { useSession } from '../session/session';
import type { Loom } from './loomLayout';
import { curvePath } from './sCurve';
import { cordCurve, placesOf } from './strand';

const NOWHERE: ReadonlyMap<string, SeenPlace> = new Map();
/** What a switch saw elsewhere than planned, in this job. */
const useSeenHere = () => {
  const jobId = useSession((session) => session.job.id);
  return useSeenElsewhere((seen) => (seen.jobId === jobId ? seen.places : NOWHERE));
};

/** Cords as a switch saw them, dashed beside the planned ones. */
export function SeenStrands({ loom, width }: { loom: Loom; width: number }) {
  const seen = useSeenHere();
  if (seen.size === 0) return null;
  const places = placesOf(loom);
  const curves = loom.rows.flatMap(({ run, trace: { landing } }) => {
    const place = seen.get(run.id);
    const panelY = landing && places.panel.get(portKey(landing.panelId, landing.port));
    const deviceY = place && places.device.get(portKey(place.switchId, place.port));
    return panelY == null || deviceY == null
      ? []
      : [{ id: run.id, path: curvePath(cordCurve(width, panelY, deviceY)) }];
  });
  return (
    <svg
      aria-hidden="true"
      className="pointer-events-none absolute top-0 left-0"
      width={width}
      height={loom.height}
      viewBox={`0 0 ${width} ${loom.height}`}
      fill="none"
    >
      {curves.map(({ id, path }) => (
        <g key={id}>
          <path d={path} stroke="var(--paper)" strokeWidth="5" />
          <path d={path} stroke="var(--wont)" strokeWidth="2.4" strokeDasharray="7 5" />
        </g>
      ))}
    </svg>
  );
}

/** Says that what a switch saw is drawn too, and puts it away. */
export function SeenBar() {
  const jobId = useSession((session) => session.job.id);
  const seen = useSeenHere();
  const show = useSeenElsewhere((one) => one.show);
  if (seen.size === 0) return null;
  return (
    <p role="status" className="flex flex-wrap items-center gap-2 border-wont border-b-2 px-3 py-1 text-[13px]">
      <b className="text-wont">
        {seen.size} {seen.size === 1 ? 'cord is' : 'cords are'} seen elsewhere than planned
      </b>
      <span>Where a switch saw {seen.size === 1 ? 'it' : 'them'} is drawn dashed.</span>
      <Button look="quiet" onClick={() => show(jobId, new Map())}>
        Put away
      </Button>
    </p>
  );
}
