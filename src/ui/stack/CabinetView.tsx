'use client';

import { DndContext, DragOverlay, PointerSensor, useSensor, useSensors } from '@dnd-kit/core';
import { PackagePlus, Plus, Ruler } from 'lucide-react';
import { useCallback, useRef, useState } from 'react';
import { frameWidths, rackDimensions } from '@/core/base/standards/rackDimensions';
import { frontWidthMm } from '@/core/job/gear/body';
import { portLayout } from '@/core/job/gear/portLayout';
import { elevation } from '@/core/job/rack/elevation';
import type { Rack } from '@/core/job/records/rack';
import { aimWords } from '@/core/trade/rack/arrange/aim';
import { Faceplate } from '../drawing/Faceplate';
import { Button } from '../kit/Button';
import { Select } from '../kit/Field';
import { SILENT } from '../kit/silentDrag';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useSession } from '../session/session';
import { AddGearSheet } from './AddGearSheet';
import { ChosenDevice } from './ChosenDevice';
import { useCarrying } from './carrying';
import { GearPile } from './GearPile';
import { GearSheet } from './GearSheet';
import { OVERLAYS, type Overlay } from './overlays';
import { type Frames, RackFace } from './RackFace';
import { RackPicker } from './RackPicker';
import { RackSheet } from './RackSheet';
import { RackSide, sideReach } from './RackSide';
import { useCabinetDrag } from './useCabinetDrag';
import { useCarry } from './useCarry';
import { useRack } from './useRack';
import { useScale } from './useScale';

type OpenSheet = 'library' | 'own' | 'gear' | 'rack' | 'new rack' | null;

/** The cabinets to scale: front, rear and side at once, and the pile of gear that has no place yet. */
export function CabinetView() {
  const { all, rack, onRack } = useRack();
  const [sheet, setSheet] = useState<OpenSheet>(null);
  if (!rack) {
    return (
      <div className="p-4">
        <p className="mb-2">This job has no rack yet.</p>
        <Button look="main" onClick={() => setSheet('new rack')}>
          <Plus size={16} aria-hidden /> Put up a cabinet
        </Button>
        {sheet === 'new rack' && <RackSheet rack={null} onClose={() => setSheet(null)} />}
      </div>
    );
  }
  return <Cabinets rack={rack} all={all} onRack={onRack} sheet={sheet} setSheet={setSheet} />;
}

const extraPx = (faces: number, side: boolean) => 28 + faces * 56 + (side ? 20 : 0);

function Cabinets({
  rack,
  all,
  onRack,
  sheet,
  setSheet,
}: {
  rack: Rack;
  all: Rack[];
  onRack: (id: string) => void;
  sheet: OpenSheet;
  setSheet: (sheet: OpenSheet) => void;
}) {
  const job = useSession((session) => session.job);
  const [gearId, setGearId] = useState<string | null>(null);
  const edit = useCallback(
    (id: string) => {
      setGearId(id);
      setSheet('gear');
    },
    [setSheet],
  );
  const carry = useCarry(edit);
  const [overlay, setOverlay] = useState<Overlay>('none');
  const [views, setViews] = useState({ rear: true, side: true });
  const frames: Frames = useRef(new Map());
  const pile = useRef<HTMLElement>(null);
  const sensors = useSensors(useSensor(PointerSensor, { activationConstraint: { distance: 4 } }));
  const choose = useCallback((id: string) => setGearId(id), []);

  const reach = sideReach(rack, elevation(job, rack).items);
  const fronts = all.reduce((sum, one) => sum + frameWidths[one.frame].panelMm, 0);
  const rearMm = views.rear ? frameWidths[rack.frame].panelMm : 0;
  const sideMm = views.side ? reach.before + reach.behind : 0;
  const tallest = Math.max(...all.map((one) => one.units));
  const { area, scale } = useScale(
    tallest,
    fronts + rearMm + sideMm,
    extraPx(all.length + (views.rear ? 1 : 0), views.side),
  );
  const unitPx = rackDimensions.unitMm * scale;

  const drag = useCabinetDrag({ racks: all, unitPx, frames, pile, carry });
  const chosen = job.gear[gearId ?? ''];

  return (
    <DndContext
      id="stack"
      sensors={sensors}
      autoScroll={false}
      onDragStart={drag.start}
      onDragMove={drag.move}
      onDragEnd={drag.end}
      onDragCancel={() => useCarrying.getState().set(null)}
      accessibility={{
        announcements: SILENT,
        screenReaderInstructions: {
          draggable:
            'Enter picks the device up, up and down move it by a unit, left and right to the other side or cabinet, Enter puts it down, Escape leaves it.',
        },
      }}
    >
      <div className="flex min-h-0 flex-1 flex-col">
        <div className="flex flex-wrap items-center gap-2 px-3 py-1.5">
          <Button onClick={() => setSheet('library')}>
            <PackagePlus size={16} aria-hidden /> Add gear
          </Button>
          <Button onClick={() => setSheet('rack')}>
            <Ruler size={16} aria-hidden /> {rack.name}: {rack.units}U
          </Button>
          <RackPicker all={all} rack={rack} onRack={onRack} />
          <Button onClick={() => setSheet('new rack')}>
            <Plus size={15} aria-hidden /> Cabinet
          </Button>
          <Select
            aria-label="Figures laid over"
            className="max-w-28"
            value={overlay}
            onChange={(event) => setOverlay(event.target.value as Overlay)}
          >
            {OVERLAYS.map((one) => (
              <option key={one.value} value={one.value}>
                {one.words}
              </option>
            ))}
          </Select>
          {(['rear', 'side'] as const).map((view) => (
            <label key={view} className="flex items-center gap-1">
              <input
                type="checkbox"
                checked={views[view]}
                onChange={(event) => setViews({ ...views, [view]: event.target.checked })}
              />
              {view}
            </label>
          ))}
          <span className="flex-1" />
          <TakeawayLink of="elevation.png" words="" />
          <TakeawayLink of="elevation.svg" words="" />
        </div>
        <GearPile ref={pile} carry={carry} onChoose={choose} />
        <div className="flex min-h-9 flex-wrap items-center gap-2 px-3 py-1">
          <PlaceWords />
          {chosen && <ChosenDevice gear={chosen} onChange={() => setSheet('gear')} onLift={carry.lift} />}
        </div>
        <div
          ref={area}
          className="flex min-h-[420px] flex-1 items-start justify-center-safe gap-5 overflow-auto px-3 pb-3"
        >
          {all.map((one) => (
            <RackFace
              key={one.id}
              frames={frames}
              rack={one}
              side="front"
              scale={scale}
              overlay={overlay}
              carry={carry}
              onChoose={choose}
            />
          ))}
          {views.rear && (
            <RackFace
              frames={frames}
              rack={rack}
              side="rear"
              scale={scale}
              overlay={overlay}
              carry={carry}
              onChoose={choose}
            />
          )}
          {views.side && <RackSide rack={rack} scale={scale} />}
        </div>
      </div>
      <Overlayed scale={scale} />
      {sheet === 'library' && <AddGearSheet onOwn={() => setSheet('own')} onClose={() => setSheet(null)} />}
      {sheet === 'own' && <GearSheet gear={null} onClose={() => setSheet(null)} />}
      {sheet === 'gear' && chosen && <GearSheet key={chosen.id} gear={chosen} onClose={() => setSheet(null)} />}
      {sheet === 'rack' && <RackSheet key={rack.id} rack={rack} onClose={() => setSheet(null)} />}
      {sheet === 'new rack' && <RackSheet rack={null} onClose={() => setSheet(null)} />}
    </DndContext>
  );
}

/** The device under the pointer. */
function Overlayed({ scale }: { scale: number }) {
  const gear = useSession((session) => session.job.gear);
  const carried = useCarrying((state) => state.carried);
  const one = carried?.by === 'pointer' ? gear[carried.gearId] : undefined;
  const width = one ? frontWidthMm(one) : 0;
  const height = one ? (one.frame === 'free' ? (one.heightMm ?? 40) : one.heightU * rackDimensions.unitMm) : 0;
  return (
    <DragOverlay dropAnimation={null}>
      {one && (
        <div style={{ width: width * scale, height: height * scale }} className="opacity-80">
          <Faceplate
            name={one.name}
            kind={one.kind}
            width={width}
            height={height}
            ports={portLayout(one).filter((port) => port.side === 'front')}
            scale={scale}
            upright={one.frame === 'upright'}
          />
        </div>
      )}
    </DragOverlay>
  );
}

/** What the hand would do here, in words. */
function PlaceWords() {
  const carried = useCarrying((state) => state.carried);
  const job = useSession((session) => session.job);
  const gear = job.gear[carried?.gearId ?? ''];
  const aim = carried?.aim;
  const words = !carried
    ? 'Drag gear into units, or press Enter on it and use the arrows.'
    : !aim || !gear
      ? 'Bring it over a rack, or back to the pile.'
      : (aim.fault ?? (aim.warnings.length > 0 ? aim.warnings.join(' ') : `Free: ${aimWords(job, gear, aim)}`));
  const look = aim?.fault
    ? 'font-bold text-wont'
    : aim && aim.warnings.length > 0
      ? 'font-bold text-bite'
      : 'text-soft';
  return (
    <p className={`min-w-0 flex-1 leading-tight ${look}`} data-testid="place-words">
      {words}
    </p>
  );
}
