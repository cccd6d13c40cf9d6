import { Pencil, Pin, PinOff } from 'lucide-react';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { indexJob } from '@/core/job/document/jobIndex';
import { isUpright } from '@/core/job/gear/body';
import type { Gear } from '@/core/job/records/gear';
import { aimAt } from '@/core/trade/rack/arrange/aim';
import { Button } from '../kit/Button';
import { Select } from '../kit/Field';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { useCarrying } from './carrying';

/** What can be done with the device that was chosen. */
export function ChosenDevice({
  gear,
  onChange,
  onLift,
}: {
  gear: Gear;
  onChange: () => void;
  onLift: (gearId: string) => void;
}) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const carrying = useCarrying((state) => state.carried !== null);
  const { keep, drop } = useRows();
  if (carrying) return null;
  const index = indexJob(job);
  const place = index.placementOfGear.get(gear.id);
  const shelved = index.carrierOfGear.has(gear.id);
  const rack = place && job.racks[place.rackId];
  const other = place?.face === 'front' ? ('rear' as const) : ('front' as const);
  const turned = place && rack && !isUpright(gear) ? aimAt(job, rack, gear, place.bottomU, other) : null;
  const pairs = Object.values(job.neighbours).filter((row) => row.gearId === gear.id || row.besideId === gear.id);
  const mates = Object.values(job.gear)
    .filter((one) => one.id !== gear.id && one.frame !== 'free' && one.frame !== 'upright')
    .sort((a, b) => naturalOrder(a.name, b.name));
  return (
    <div role="toolbar" aria-label={`${gear.name}: what to do`} className="flex flex-wrap items-center gap-1.5">
      <Button onClick={onChange}>
        <Pencil size={15} aria-hidden /> <span className="max-w-48 truncate">Change {gear.name}</span>
      </Button>
      {place && (
        <Button onClick={() => dispatch([{ type: 'pinGear', gearIds: [gear.id], pinned: !place.pinned }])}>
          {place.pinned ? <PinOff size={15} aria-hidden /> : <Pin size={15} aria-hidden />}{' '}
          {place.pinned ? 'Unpin' : 'Pin'}
        </Button>
      )}
      {place && turned && turned.carrierId === null && turned.fault === null && (
        <Button
          onClick={() =>
            dispatch([
              { type: 'placeGear', gearId: gear.id, rackId: place.rackId, bottomU: place.bottomU, face: other },
            ])
          }
        >
          {other === 'rear' ? 'To the rear rails' : 'To the front rails'}
        </Button>
      )}
      {place && gear.frame !== 'upright' && (
        <Select
          aria-label={`${gear.name} must touch`}
          className="max-w-44"
          value={pairs[0] ? (pairs[0].gearId === gear.id ? pairs[0].besideId : pairs[0].gearId) : ''}
          onChange={(event) => {
            const beside = event.target.value;
            if (beside === '') drop('neighbours', ...pairs.map((row) => row.id));
            else
              keep({
                table: 'neighbours',
                record: { id: pairs[0]?.id ?? newRowId('pair'), gearId: gear.id, besideId: beside },
              });
          }}
        >
          <option value="">need not touch another</option>
          {mates.map((one) => (
            <option key={one.id} value={one.id}>
              must touch {one.name}
            </option>
          ))}
        </Select>
      )}
      {(place || shelved) && <Button onClick={() => onLift(gear.id)}>Take it out</Button>}
    </div>
  );
}
