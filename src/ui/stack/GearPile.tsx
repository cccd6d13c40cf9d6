'use client';

import { useDraggable } from '@dnd-kit/core';
import { Trash2 } from 'lucide-react';
import type { RefObject } from 'react';
import { counted } from '@/core/base/text/counted';
import { formatMass } from '@/core/base/units/force';
import { formatSize } from '@/core/base/units/length';
import { indexJob } from '@/core/job/document/jobIndex';
import { standOf } from '@/core/job/rack/stand';
import type { Gear } from '@/core/job/records/gear';
import { planPlacement } from '@/core/trade/rack/arrange/planPlacement';
import { Button } from '../kit/Button';
import { useSession } from '../session/session';
import { useCarrying } from './carrying';
import type { Carry } from './useCarry';

/** Gear that stands nowhere yet. */
export function GearPile({
  ref,
  carry,
  onChoose,
}: {
  ref: RefObject<HTMLElement | null>;
  carry: Carry;
  onChoose: (gearId: string) => void;
}) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const index = indexJob(job);
  const pile = index.gearInOrder.filter((gear) => !standOf(job, gear.id) && !index.carrierOfGear.has(gear.id));
  const plan = pile.length > 0 ? planPlacement(job) : null;
  return (
    <section
      ref={ref}
      aria-label="Pile"
      className="flex max-h-[124px] min-h-[58px] w-full shrink-0 flex-wrap items-start gap-x-3 gap-y-1 overflow-auto border-y bg-sheet px-3 py-1.5"
    >
      <h2 className="wide py-1 font-bold">Pile</h2>
      {pile.length === 0 && (
        <p className="py-1 text-soft">All gear has its place. Drag a device here to take it out.</p>
      )}
      {plan && plan.commands.length > 0 && (
        <Button onClick={() => dispatch(plan.commands)}>Place {counted(plan.commands.length, 'device')}</Button>
      )}
      <ul className="flex min-w-0 flex-1 flex-wrap gap-1.5">
        {pile.map((gear) => (
          <PileItem key={gear.id} gear={gear} carry={carry} onChoose={onChoose} />
        ))}
      </ul>
      {plan?.left.map(({ gearId, why }) => (
        <p key={gearId} className="w-full text-bite text-xs">
          {why}
        </p>
      ))}
    </section>
  );
}

function PileItem({ gear, carry, onChoose }: { gear: Gear; carry: Carry; onChoose: (gearId: string) => void }) {
  const units = useSession((session) => session.job.units);
  const dispatch = useSession((session) => session.dispatch);
  const { setNodeRef, listeners, attributes } = useDraggable({ id: gear.id });
  const held = useCarrying(({ carried }) => carried?.gearId === gear.id);
  const height = gear.frame === 'free' ? 'for a shelf' : `${gear.heightU}U`;
  const about = `${height} · ${formatSize(gear.depthMm, units)} · ${gear.massKg === null ? 'mass unknown' : formatMass(gear.massKg, units)}`;
  return (
    <li className="flex items-start">
      <button
        ref={setNodeRef}
        {...attributes}
        {...listeners}
        type="button"
        aria-roledescription="device"
        aria-pressed={held}
        aria-label={`${gear.name} ${about}, in the pile`}
        onKeyDown={(event) => carry.press(event, gear.id)}
        onFocus={() => onChoose(gear.id)}
        onBlur={() => carry.blur(gear.id)}
        className={`max-w-[190px] cursor-grab touch-none rounded-[3px] border-2 border-ink bg-face px-2 py-0.5 text-left ${held ? 'opacity-50' : ''}`}
      >
        <span className="block truncate font-semibold leading-tight">{gear.name}</span>{' '}
        <span className="narrow block text-soft text-xs leading-tight">{about}</span>
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
