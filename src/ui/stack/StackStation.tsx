'use client';

import {
  DndContext,
  type DragEndEvent,
  type DragMoveEvent,
  DragOverlay,
  type DragStartEvent,
  PointerSensor,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import { PackagePlus, Pencil, Ruler } from 'lucide-react';
import { useRef, useState } from 'react';
import { toast } from 'sonner';
import { portLayout } from '@/core/gear/portLayout';
import { indexJob } from '@/core/job/jobIndex';
import type { Rack } from '@/core/job/records/rack';
import { placeFault } from '@/core/rack/placeFault';
import { unitName } from '@/core/rack/units';
import { rackDimensions } from '@/core/standards/rackDimensions';
import { naturalOrder } from '@/core/text/naturalOrder';
import { Faceplate } from '../drawing/Faceplate';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { Select } from '../kit/Field';
import { useAnnounce } from '../kit/useAnnounce';
import { AddGearSheet } from './AddGearSheet';
import type { Carried } from './carried';
import { GearPile } from './GearPile';
import { GearSheet } from './GearSheet';
import { RackFront } from './RackFront';
import { RackSheet } from './RackSheet';
import { RackSide } from './RackSide';
import { useScale } from './useScale';

/** Stack: the cabinet front to scale, with its side, and the pile of gear that has no place yet. */
export function StackStation() {
  const racks = useSession((session) => session.job.racks);
  const [chosen, setChosen] = useState<string | null>(null);
  const all = Object.values(racks).sort((a, b) => naturalOrder(a.name, b.name));
  const rack = all.find((one) => one.id === chosen) ?? all[0];
  if (!rack) return <p className="p-4">This job has no rack.</p>;
  return <Stack key={rack.id} rack={rack} all={all} onChoose={setChosen} />;
}

function Stack({ rack, all, onChoose }: { rack: Rack; all: Rack[]; onChoose: (id: string) => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const announce = useAnnounce();
  const [carried, setCarried] = useState<Carried | null>(null);
  const [sheet, setSheet] = useState<'library' | 'rack' | 'gear' | null>(null);
  const [gearId, setGearId] = useState<string | null>(null);
  const chosen = job.gear[gearId ?? ''];
  const front = useRef<HTMLDivElement>(null);
  const pile = useRef<HTMLElement>(null);
  const grab = useRef({ x: 0, y: 0, offset: 0 });
  const { area, scale } = useScale(rack);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const unitPx = rackDimensions.unitMm * scale;

  const gearAt = (gearId: string, bottomU: number | null, by: Carried['by']): Carried => {
    const gear = job.gear[gearId];
    const fault = gear && bottomU !== null ? placeFault(job, rack, gear, bottomU) : null;
    return { gearId, bottomU, fault: fault?.words ?? null, by };
  };
  /** Pick up, move or put down by keyboard; the words go to the screen reader. */
  const carry = (gearId: string, bottomU: number | null) => {
    const next = gearAt(gearId, bottomU, 'keys');
    setCarried(next);
    const gear = job.gear[gearId];
    if (gear && bottomU !== null)
      announce(next.fault ?? `${gear.name} at ${unitName(rack, bottomU, gear.heightU)}: free`);
  };
  const putDown = (what: Carried | null) => {
    setCarried(null);
    const gear = what && job.gear[what.gearId];
    if (!what || !gear || what.bottomU === null) return;
    if (what.fault) {
      toast.error(what.fault);
      announce(`Not placed. ${what.fault}`);
    } else if (dispatch([{ type: 'placeGear', gearId: gear.id, rackId: rack.id, bottomU: what.bottomU }])) {
      announce(`${gear.name} placed at ${unitName(rack, what.bottomU, gear.heightU)}`);
    }
  };
  const lift = (gearId: string) => {
    setCarried(null);
    if (dispatch([{ type: 'liftGear', gearIds: [gearId] }]))
      announce(`${job.gear[gearId]?.name} taken out of the rack`);
  };

  const start = ({ active, activatorEvent }: DragStartEvent) => {
    const pointer = activatorEvent as PointerEvent;
    const box = (activatorEvent.target as Element).closest('[data-device]')?.getBoundingClientRect();
    grab.current = { x: pointer.clientX, y: pointer.clientY, offset: box ? pointer.clientY - box.top : unitPx / 2 };
    setCarried(gearAt(String(active.id), null, 'pointer'));
  };
  const move = ({ active, delta }: DragMoveEvent) => {
    const gear = job.gear[String(active.id)];
    const frame = front.current?.getBoundingClientRect();
    if (!gear || !frame) return;
    const [x, y] = [grab.current.x + delta.x, grab.current.y + delta.y];
    const beside = x < frame.left - 30 || x > frame.right + 30;
    const top = Math.round((y - grab.current.offset - frame.top) / unitPx);
    const bottomU = beside ? null : rack.units - top - gear.heightU + 1;
    setCarried((now) => (now?.bottomU === bottomU ? now : gearAt(gear.id, bottomU, 'pointer')));
  };
  const end = ({ active, delta }: DragEndEvent) => {
    const area = pile.current?.getBoundingClientRect();
    const x = grab.current.x + delta.x;
    const placed = Object.values(job.placements).some((row) => row.gearId === active.id);
    if (placed && area && x >= area.left && x <= area.right) lift(String(active.id));
    else putDown(carried);
  };
  const dragged = carried?.by === 'pointer' ? job.gear[carried.gearId] : undefined;

  return (
    <DndContext
      id="stack"
      sensors={sensors}
      onDragStart={start}
      onDragMove={move}
      onDragEnd={end}
      onDragCancel={() => setCarried(null)}
      accessibility={{
        screenReaderInstructions: {
          draggable: 'Enter picks the device up, arrows move it by a unit, Enter puts it down, Escape leaves it.',
        },
      }}
    >
      <section aria-label="Stack" className="flex min-h-0 flex-1 flex-col">
        <div className="flex flex-wrap items-center gap-2 px-3 py-2">
          <Button onClick={() => setSheet('library')}>
            <PackagePlus size={16} aria-hidden /> Add gear
          </Button>
          <Button onClick={() => setSheet('rack')}>
            <Ruler size={16} aria-hidden /> {rack.name}: {rack.units}U
          </Button>
          {all.length > 1 && (
            <Select
              aria-label="Rack shown"
              className="max-w-40"
              value={rack.id}
              onChange={(event) => onChoose(event.target.value)}
            >
              {all.map((one) => (
                <option key={one.id} value={one.id}>
                  {one.name}
                </option>
              ))}
            </Select>
          )}
          <p
            className={`min-w-0 flex-1 ${carried?.fault ? 'font-bold text-wont' : 'text-soft'}`}
            data-testid="place-words"
          >
            {placeWords(carried, rack, job.gear[carried?.gearId ?? '']?.heightU ?? 1)}
          </p>
          {chosen && !carried && (
            <div className="flex items-center gap-1.5">
              <Button onClick={() => setSheet('gear')}>
                <Pencil size={15} aria-hidden /> Change {chosen.name}
              </Button>
              {indexJob(job).placementOfGear.has(chosen.id) && (
                <Button onClick={() => lift(chosen.id)}>Take it out</Button>
              )}
            </div>
          )}
        </div>
        <div className="flex min-h-0 flex-1 flex-col md:flex-row">
          <GearPile ref={pile} onChoose={setGearId} rack={rack} carried={carried} onCarry={carry} onPutDown={putDown} />
          <div
            ref={area}
            className="flex min-h-[420px] flex-1 items-start justify-center-safe gap-4 overflow-auto px-3 pb-3"
          >
            <RackFront
              frame={front}
              rack={rack}
              scale={scale}
              carried={carried}
              onCarry={carry}
              onPutDown={putDown}
              onLift={lift}
              onChoose={setGearId}
            />
            <RackSide rack={rack} scale={scale} carried={carried} />
          </div>
        </div>
      </section>
      <DragOverlay dropAnimation={null}>
        {dragged && (
          <div
            style={{ width: rackDimensions.panelWidthMm * scale, height: dragged.heightU * unitPx }}
            className="opacity-80"
          >
            <Faceplate
              name={dragged.name}
              kind={dragged.kind}
              width={rackDimensions.panelWidthMm}
              height={dragged.heightU * rackDimensions.unitMm}
              ports={portLayout(dragged)}
            />
          </div>
        )}
      </DragOverlay>
      {sheet === 'library' && <AddGearSheet onClose={() => setSheet(null)} />}
      {sheet === 'gear' && chosen && <GearSheet gear={chosen} onClose={() => setSheet(null)} />}
      {sheet === 'rack' && <RackSheet rack={rack} onClose={() => setSheet(null)} />}
    </DndContext>
  );
}

function placeWords(carried: Carried | null, rack: Rack, heightU: number): string {
  if (!carried) return 'Drag gear into units, or press Enter on it and use the arrows.';
  if (carried.fault) return carried.fault;
  return carried.bottomU === null
    ? 'Bring it over the rack, or back to the pile.'
    : `Free: ${unitName(rack, carried.bottomU, heightU)}`;
}
