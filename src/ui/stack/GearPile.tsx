'use client';

import { useDraggable } from '@dnd-kit/core';
import { Trash2 } from 'lucide-react';
import type { KeyboardEvent, RefObject } from 'react';
import { indexJob } from '@/core/job/jobIndex';
import type { Gear } from '@/core/job/records/gear';
import type { Rack } from '@/core/job/records/rack';
import { placesFor } from '@/core/rack/placeFault';
import { planPlacement } from '@/core/rack/planPlacement';
import { counted } from '@/core/text/counted';
import { formatSize } from '@/core/units/length';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import type { Carried } from './carried';

type Handlers = {
  onCarry: (gearId: string, bottomU: number | null) => void;
  onPutDown: (what: Carried | null) => void;
  onChoose: (gearId: string) => void;
};

/** Gear that stands nowhere yet. */
export function GearPile({
  ref,
  rack,
  carried,
  ...handlers
}: { ref: RefObject<HTMLElement | null>; rack: Rack; carried: Carried | null } & Handlers) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const { gearInOrder, placementOfGear } = indexJob(job);
  const pile = gearInOrder.filter((gear) => !placementOfGear.has(gear.id));
  const plan = pile.length > 0 ? planPlacement(job) : null;
  return (
    <section
      ref={ref}
      aria-label="Pile"
      className="flex w-full shrink-0 flex-col border-t px-3 pb-2 md:w-[196px] md:overflow-auto"
    >
      <h2 className="wide py-1.5 font-bold">Pile</h2>
      {pile.length === 0 && <p className="text-soft">All gear has its place. Drag a device here to take it out.</p>}
      <ul className="grid gap-1.5">
        {pile.map((gear) => (
          <PileItem key={gear.id} gear={gear} rack={rack} carried={carried} {...handlers} />
        ))}
      </ul>
      {plan && plan.commands.length > 0 && (
        <Button className="mt-3" onClick={() => dispatch(plan.commands)}>
          Place {counted(plan.commands.length, 'device')}
        </Button>
      )}
      {plan?.left.map(({ gearId, why }) => (
        <p key={gearId} className="mt-1 text-bite text-xs">
          {why}
        </p>
      ))}
    </section>
  );
}

function PileItem({
  gear,
  rack,
  carried,
  onCarry,
  onPutDown,
  onChoose,
}: { gear: Gear; rack: Rack; carried: Carried | null } & Handlers) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const { setNodeRef, listeners, attributes } = useDraggable({ id: gear.id });
  const held = carried?.gearId === gear.id;
  const about = `${gear.heightU}U · ${formatSize(gear.depthMm, job.units)} · ${gear.massKg} kg`;
  const press = (event: KeyboardEvent) => {
    const at = carried?.bottomU ?? 1;
    const act = (work: () => void) => {
      event.preventDefault();
      work();
    };
    if (event.key === 'Enter' || event.key === ' ') {
      act(() =>
        held
          ? onPutDown(carried)
          : onCarry(gear.id, placesFor(job, rack, gear).at(-1) ?? rack.units - gear.heightU + 1),
      );
    } else if (held && event.key === 'ArrowUp') act(() => onCarry(gear.id, Math.min(rack.units, at + 1)));
    else if (held && event.key === 'ArrowDown') act(() => onCarry(gear.id, Math.max(1, at - 1)));
    else if (held && event.key === 'Escape') act(() => onPutDown(null));
  };
  return (
    <li className="flex items-start gap-1">
      <button
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        type="button"
        aria-roledescription="device"
        aria-pressed={held}
        aria-label={`${gear.name} ${about}, in the pile`}
        onKeyDown={press}
        onFocus={() => onChoose(gear.id)}
        onBlur={() => held && carried.by === 'keys' && onPutDown(null)}
        className={`min-w-0 flex-1 cursor-grab touch-none rounded-[3px] border-2 border-ink bg-face px-2 py-1 text-left ${held ? 'opacity-50' : ''}`}
      >
        <span className="block truncate font-semibold leading-tight">{gear.name}</span>{' '}
        <span className="narrow block text-soft text-xs">{about}</span>
      </button>
      <Button
        look="quiet"
        className="px-1 text-soft"
        aria-label={`Remove ${gear.name} from the job`}
        onClick={() => dispatch([{ type: 'removeGear', gearIds: [gear.id] }])}
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </li>
  );
}
