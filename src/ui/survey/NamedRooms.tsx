import { counted } from '@/core/base/text/counted';
import { listed } from '@/core/base/text/listed';
import { drawRooms, namedRooms } from '@/core/trade/survey/answers/namedRooms';
import { Button } from '../kit/Button';
import { newRowId } from '../kit/useRows';
import { useSession } from '../session/session';

/** Rooms that runs name and the plan does not have: drawn in a row, to be measured later. */
export function NamedRooms() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const rooms = namedRooms(job);
  if (rooms.length === 0) return null;
  return (
    <section aria-label="Rooms named in runs" className="mx-3 mb-2 flex flex-wrap items-center gap-2 border-b pb-2">
      <p className="min-w-0 flex-1">
        Runs name {counted(rooms.length, 'room')} that {rooms.length === 1 ? 'is' : 'are'} not drawn yet:{' '}
        <span className="text-soft">
          {listed(rooms.map(({ floor, room }) => [floor, room].filter(Boolean).join(' ')))}
        </span>
      </p>
      <Button onClick={() => dispatch(drawRooms(job, rooms, newRowId))}>Draw {counted(rooms.length, 'room')}</Button>
    </section>
  );
}
