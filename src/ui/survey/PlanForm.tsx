import { counted } from '@/core/base/text/counted';
import { sameKey } from '@/core/base/text/sameKey';
import { formatLength } from '@/core/base/units/length';
import type { TableRow } from '@/core/job/document/tables';
import type { Floor } from '@/core/job/records/floor';
import { PLACE_KINDS, type Place, type PlaceKind } from '@/core/job/records/place';
import type { Room } from '@/core/job/records/room';
import { ENTRY_SIDES } from '@/core/job/records/run';
import { isInside, siteOf } from '@/core/trade/survey/answers/site';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { Photographs } from '../kit/Photographs';
import { useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import type { Chosen } from './chosen';
import { PLACE_WORDS } from './placeWords';

/** The plan as a list, and the measures of what is chosen, typed. */
export function PlanForm({
  floor,
  chosen,
  onChoose,
}: {
  floor: Floor;
  chosen: Chosen;
  onChoose: (chosen: Chosen) => void;
}) {
  const job = useSession((session) => session.job);
  const { roomsOfFloor, places } = siteOf(job);
  const room = chosen?.table === 'rooms' ? job.rooms[chosen.id] : undefined;
  const place = chosen?.table === 'places' ? job.places[chosen.id] : undefined;
  return (
    <aside
      aria-label="Measures"
      className="flex w-full shrink-0 flex-col gap-3 overflow-auto border-strong border-t bg-sheet p-3 lg:w-[270px] lg:border-t-0 lg:border-l"
    >
      {room ? (
        <RoomForm key={room.id} room={room} onGone={() => onChoose(null)} />
      ) : place ? (
        <PlaceForm key={place.id} place={place} onGone={() => onChoose(null)} />
      ) : (
        <FloorForm key={floor.id} floor={floor} onGone={() => onChoose(null)} />
      )}
      <section aria-label="Rooms and places">
        <h3 className="border-b font-bold">On this floor</h3>
        <ul className="text-[13px]">
          {(roomsOfFloor.get(floor.id) ?? []).map((one) => (
            <li key={one.id}>
              <button
                type="button"
                aria-pressed={chosen?.id === one.id}
                className={`flex w-full justify-between gap-2 border-b px-1 py-0.5 text-left hover:bg-well ${chosen?.id === one.id ? 'bg-well font-bold' : ''}`}
                onClick={() => onChoose({ table: 'rooms', id: one.id })}
              >
                <span className="truncate">{one.name}</span>
                <span className="whitespace-nowrap font-mono text-xs">
                  {formatLength(one.widthMm, job.units)} × {formatLength(one.depthMm, job.units)}
                </span>
              </button>
            </li>
          ))}
          {places
            .filter((one) => one.floorId === floor.id)
            .map((one) => (
              <li key={one.id}>
                <button
                  type="button"
                  aria-pressed={chosen?.id === one.id}
                  className={`flex w-full gap-2 border-b px-1 py-0.5 text-left hover:bg-well ${chosen?.id === one.id ? 'bg-well font-bold' : ''}`}
                  onClick={() => onChoose({ table: 'places', id: one.id })}
                >
                  <b className="font-mono">{PLACE_WORDS[one.kind].letter}</b>
                  <span className="truncate">{one.name}</span>
                </button>
              </li>
            ))}
        </ul>
      </section>
    </aside>
  );
}

/** A length of a row of the plan. */
function MmField<R extends Room | Place | Floor>({
  record,
  field,
  label,
  toRow,
}: {
  record: R;
  field: { [K in keyof R]: R[K] extends number ? K : never }[keyof R] & string;
  label: string;
  toRow: (record: R) => TableRow;
}) {
  const { keep } = useRows();
  return (
    <LengthField
      label={label}
      mm={record[field] as number}
      onCommit={(mm) => keep(toRow({ ...record, [field]: mm }))}
    />
  );
}

function NameField<R extends { name: string }>({ record, toRow }: { record: R; toRow: (record: R) => TableRow }) {
  const { keep } = useRows();
  return (
    <CommitField
      label="Name"
      value={record.name}
      maxLength={60}
      onCommit={(name) =>
        name.trim() === ''
          ? 'Expected a name.'
          : keep(toRow({ ...record, name: name.trim() }))
            ? null
            : 'That name is taken.'
      }
    />
  );
}

function RoomForm({ room, onGone }: { room: Room; onGone: () => void }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const toRow = (record: Room): TableRow => ({ table: 'rooms', record });
  const floor = job.floors[room.floorId];
  const runs = Object.values(job.runs).filter(
    (run) => sameKey(run.room) === sameKey(room.name) && sameKey(run.floor) === sameKey(floor?.name ?? ''),
  ).length;
  const outlets = Object.values(job.places).filter((place) => place.kind === 'outlet' && isInside(room, place)).length;
  return (
    <section aria-label={`Room ${room.name}`} className="grid gap-2">
      <h3 className="wide border-strong border-b font-bold">Room</h3>
      <NameField record={room} toRow={toRow} />
      <div className="grid grid-cols-2 gap-2">
        <MmField record={room} field="widthMm" label="Width" toRow={toRow} />
        <MmField record={room} field="depthMm" label="Depth" toRow={toRow} />
        <MmField record={room} field="xMm" label="From left" toRow={toRow} />
        <MmField record={room} field="yMm" label="From top" toRow={toRow} />
      </div>
      <CommitField
        label="Code for labels"
        value={room.code}
        maxLength={6}
        help="Empty: the first letters of its name."
        onCommit={(code) => (keep(toRow({ ...room, code: code.trim() })) ? null : 'It could not be taken.')}
      />
      <p className="text-soft text-xs">
        {counted(runs, 'run')}, {counted(outlets, 'placed outlet')}. An outlet without a place is reckoned at the far
        corner.
      </p>
      <Photographs about={room.id} of={room.name} />
      <Button
        onClick={() => {
          if (drop('rooms', room.id)) onGone();
        }}
      >
        Remove the room
      </Button>
    </section>
  );
}

function PlaceForm({ place, onGone }: { place: Place; onGone: () => void }) {
  const { keep, drop } = useRows();
  const toRow = (record: Place): TableRow => ({ table: 'places', record });
  return (
    <section aria-label={`Place ${place.name}`} className="grid gap-2">
      <h3 className="wide border-strong border-b font-bold">Place</h3>
      <CommitSelect
        label="What it is"
        value={place.kind}
        options={PLACE_KINDS.map((kind) => ({ value: kind, words: PLACE_WORDS[kind].name }))}
        onCommit={(kind) => keep(toRow({ ...place, kind: kind as PlaceKind }))}
      />
      <NameField record={place} toRow={toRow} />
      {place.kind === 'outlet' && (
        <p className="text-soft text-xs">The name is the outlet’s, as runs call it in the room it lies in.</p>
      )}
      <div className="grid grid-cols-2 gap-2">
        <MmField record={place} field="xMm" label="From left" toRow={toRow} />
        <MmField record={place} field="yMm" label="From top" toRow={toRow} />
        <MmField record={place} field="heightMm" label="Above the floor" toRow={toRow} />
        {place.kind === 'cable-entry' && (
          <CommitSelect
            label="Side it leads to"
            value={place.side ?? ''}
            options={[{ value: '', words: 'any' }, ...ENTRY_SIDES.map((side) => ({ value: side, words: side }))]}
            onCommit={(side) => keep(toRow({ ...place, side: (side || null) as Place['side'] }))}
          />
        )}
      </div>
      <Photographs about={place.id} of={place.name || PLACE_WORDS[place.kind].name} />
      <Button
        onClick={() => {
          if (drop('places', place.id)) onGone();
        }}
      >
        Remove the place
      </Button>
    </section>
  );
}

function FloorForm({ floor, onGone }: { floor: Floor; onGone: () => void }) {
  const { keep, drop } = useRows();
  const toRow = (record: Floor): TableRow => ({ table: 'floors', record });
  return (
    <section aria-label={`Floor ${floor.name}`} className="grid gap-2">
      <h3 className="wide border-strong border-b font-bold">Floor</h3>
      <NameField record={floor} toRow={toRow} />
      <CommitField
        label="Level"
        help="0 is where heights are counted from, −1 the one below."
        value={String(floor.level)}
        onCommit={(text) => {
          const level = Number(text.replace('−', '-'));
          if (!Number.isInteger(level) || level < -10 || level > 200) return 'Expected a whole number from −10 to 200.';
          return keep(toRow({ ...floor, level })) ? null : 'It could not be taken.';
        }}
      />
      <div className="grid grid-cols-2 gap-2">
        <MmField record={floor} field="heightMm" label="Height of rooms" toRow={toRow} />
        <MmField record={floor} field="slabMm" label="Then to the next" toRow={toRow} />
      </div>
      <CommitSelect
        label="Cables cross it"
        value={floor.route}
        options={[
          { value: 'overhead', words: 'overhead' },
          { value: 'underfoot', words: 'underfoot' },
        ]}
        onCommit={(route) => keep(toRow({ ...floor, route: route as Floor['route'] }))}
      />
      <Button
        onClick={() => {
          if (drop('floors', floor.id)) onGone();
        }}
      >
        Remove the floor and its rooms
      </Button>
    </section>
  );
}
