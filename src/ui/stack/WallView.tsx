'use client';

import { citeFor } from '@/core/base/standards/cite';
import { staticsSource } from '@/core/base/standards/withdrawal';
import { type AtLeast, atLeastWords } from '@/core/base/units/atLeast';
import { formatForce, formatMass } from '@/core/base/units/force';
import { formatSize } from '@/core/base/units/length';
import type { Rack } from '@/core/job/records/rack';
import { mountingCautions } from '@/core/trade/rack/mounting/cautions';
import { rackLoad, tipping } from '@/core/trade/rack/mounting/rackLoad';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useSession } from '../session/session';
import { Cautions } from './Cautions';
import { MountForm } from './MountForm';
import { RackPicker } from './RackPicker';
import { useRack } from './useRack';
import { WallVerdictView } from './WallVerdictView';

/** How a cabinet hangs or stands, and whether it holds. */
export function WallView() {
  const job = useSession((session) => session.job);
  const { all, rack, onRack } = useRack();
  if (!rack) return <p className="p-4">This job has no rack yet.</p>;
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
    <section tabIndex={0} aria-label="Hanging" className="min-h-0 flex-1 overflow-auto px-3 py-2">
      <div className="flex flex-wrap items-center gap-2">
        <RackPicker all={all} rack={rack} onRack={onRack} />
        <TakeawayLink of="wall.pdf" words="Wall sheet and hole template" main />
        <p className="text-soft">
          These figures judge the fixings, not the wall: local codes and licensed practice go first.
        </p>
      </div>
      {rack.standing === 'wall' ? (
        <div className="mt-2 grid gap-4 xl:grid-cols-[300px_minmax(0,1fr)]">
          <MountForm rack={rack} />
          <WallVerdictView rack={rack} />
        </div>
      ) : (
        <Standing rack={rack} />
      )}
      <Cautions cautions={mountingCautions(rack, job.units, job.rules)} />
    </section>
  );
}

/** A rack on floor or table: what makes it tip. */
function Standing({ rack }: { rack: Rack }) {
  const job = useSession((session) => session.job);
  const load = rackLoad(job, rack);
  const mass = (of: AtLeast) => atLeastWords(of, (kg) => formatMass(kg, job.units));
  const { angleDeg, pullAtTopN, tipsWithDrawnDevice } = tipping(job, rack);
  return (
    <section aria-label="Standing" className="mt-2">
      <h2 className="wide border-b font-bold">Standing</h2>
      <p className="mt-1">
        {mass(load.massKg)}, centre of gravity {formatSize(Math.round(load.heightMm), job.units)} above the floor. It
        tips forwards beyond {angleDeg.toFixed(0)}°, or by a pull of {formatForce(pullAtTopN, job.units)} at its top
        when it is not secured.
      </p>
      {tipsWithDrawnDevice && (
        <p className="font-bold text-wont">
          With its heaviest device drawn out on its rails it tips by itself: secure it first.
        </p>
      )}
      {!load.emptyKnown && (
        <p className="text-bite">The mass of the empty cabinet is not known: enter it under the rack.</p>
      )}
      <p className="narrow text-soft text-xs">Source: {citeFor(staticsSource, job.rules)}</p>
    </section>
  );
}
