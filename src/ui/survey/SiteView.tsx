'use client';

import { useState } from 'react';
import type { Floor } from '@/core/job/records/floor';
import { PLACE_KINDS, type PlaceKind } from '@/core/job/records/place';
import { figureOf } from '@/core/trade/survey/answers/answers';
import { siteOf } from '@/core/trade/survey/answers/site';
import { Button } from '../kit/Button';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import type { Chosen } from './chosen';
import { NamedRooms } from './NamedRooms';
import { PlanForm } from './PlanForm';
import { PlanSketch } from './PlanSketch';
import { PLACE_WORDS } from './placeWords';

const ROOM_MM = { widthMm: 4000, depthMm: 3000 };

/** The site: floors, and on each a measured plan of rooms and places, drawn from the list and dragged or typed. */
export function SiteView() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const { floorsInOrder, roomsOfFloor } = siteOf(job);
  const [floorId, setFloorId] = useState<string | null>(null);
  const [chosen, setChosen] = useState<Chosen>(null);
  const floor =
    floorsInOrder.find((one) => one.id === floorId) ?? floorsInOrder.find((one) => one.level === 0) ?? floorsInOrder[0];

  const addFloor = () => {
    const level = floorsInOrder.length === 0 ? 0 : Math.max(...floorsInOrder.map((one) => one.level)) + 1;
    const names = new Set(floorsInOrder.map((one) => one.name));
    const wanted = ['Ground', 'First', 'Second', 'Third'][level] ?? `Floor ${level}`;
    const name = names.has(wanted) ? `Floor ${level}` : wanted;
    const record = { id: newRowId('floor'), name, level, heightMm: 2700, slabMm: 300, route: 'overhead' as const };
    if (keep({ table: 'floors', record })) {
      setFloorId(record.id);
      setChosen({ table: 'floors', id: record.id });
    }
  };
  const addRoom = (on: Floor) => {
    const rooms = roomsOfFloor.get(on.id) ?? [];
    const right = rooms.reduce((most, room) => Math.max(most, room.xMm + room.widthMm), 0);
    let number = rooms.length + 1;
    while (rooms.some((room) => room.name === `Room ${number}`)) number += 1;
    const record = {
      id: newRowId('room'),
      floorId: on.id,
      name: `Room ${number}`,
      xMm: right,
      yMm: 0,
      ...ROOM_MM,
      code: '',
    };
    if (keep({ table: 'rooms', record })) setChosen({ table: 'rooms', id: record.id });
  };
  const addPlace = (on: Floor, kind: PlaceKind) => {
    const [room] = roomsOfFloor.get(on.id) ?? [];
    const record = {
      id: newRowId('place'),
      floorId: on.id,
      kind,
      name: PLACE_WORDS[kind].name,
      xMm: (room?.xMm ?? 0) + Math.round((room?.widthMm ?? 2000) / 2),
      yMm: (room?.yMm ?? 0) + Math.round((room?.depthMm ?? 2000) / 2),
      heightMm: kind === 'outlet' ? figureOf(job, 'height-low') : kind === 'cable-entry' ? 2300 : 1500,
      side: kind === 'cable-entry' ? ('top' as const) : null,
    };
    if (keep({ table: 'places', record })) setChosen({ table: 'places', id: record.id });
  };

  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto lg:flex-row lg:overflow-hidden">
      <div className="flex min-h-[340px] min-w-0 flex-1 flex-col">
        <div className="flex flex-wrap items-center gap-1.5 px-3 py-2">
          {floorsInOrder.map((one) => (
            <Button
              key={one.id}
              look={one.id === floor?.id ? 'main' : 'plain'}
              aria-pressed={one.id === floor?.id}
              onClick={() => {
                setFloorId(one.id);
                setChosen({ table: 'floors', id: one.id });
              }}
            >
              {one.name}
            </Button>
          ))}
          <Button onClick={addFloor}>+ Floor</Button>
          {floor && (
            <>
              <span aria-hidden className="mx-1 h-5 border-l" />
              <Button onClick={() => addRoom(floor)}>+ Room</Button>
              <select
                aria-label="Add a place"
                className="min-h-8 rounded-[3px] border border-strong bg-sheet px-2 py-1 font-semibold"
                value=""
                onChange={(event) => addPlace(floor, event.target.value as PlaceKind)}
              >
                <option value="">+ Place …</option>
                {PLACE_KINDS.map((kind) => (
                  <option key={kind} value={kind}>
                    {PLACE_WORDS[kind].name}
                  </option>
                ))}
              </select>
            </>
          )}
        </div>
        <NamedRooms />
        {floor ? (
          <PlanSketch floor={floor} chosen={chosen} onChoose={setChosen} />
        ) : (
          <p className="px-3 text-soft">
            No floors yet. Add a floor, then its rooms with rough sizes, and say where the cabinet stands: lengths of
            runs are then reckoned by themselves.
          </p>
        )}
      </div>
      {floor && <PlanForm floor={floor} chosen={chosen} onChoose={setChosen} />}
    </div>
  );
}
