import { useState } from 'react';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import type { RackChanges } from '@/core/job/commands/racks';
import { Rack } from '@/core/job/records/rack';
import { Button } from '../kit/Button';
import { RecordForm } from '../kit/RecordForm';
import { Sheet } from '../kit/Sheet';
import { useSession } from '../session/session';
import { rackFields } from './rackFields';

/** All that is said of a rack, or of a new one. Gear that no longer fits stays and becomes a snag. */
export function RackSheet({ rack, onClose }: { rack: Rack | null; onClose: () => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const count = Object.keys(job.racks).length;
  const [start] = useState(
    () =>
      rack ?? Rack.parse({ id: `rack-${crypto.randomUUID()}`, name: `Cabinet ${count + 1}`, units: 12, depthMm: 450 }),
  );
  const others = Object.values(job.racks)
    .filter((one) => one.id !== start.id)
    .sort((a, b) => naturalOrder(a.name, b.name));
  const take = (values: Record<string, unknown>, touched: Record<string, unknown>) => {
    const nothing = rack !== null && Object.keys(touched).length === 0;
    const done = rack
      ? nothing || dispatch([{ type: 'editRack', rackId: rack.id, changes: touched as RackChanges }])
      : dispatch([{ type: 'addRack', rack: Rack.parse({ ...start, ...values }) }]);
    if (done) onClose();
  };
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={rack ? rack.name : 'Another cabinet'}
      about="Gear that no longer fits stays where it is, and the docket says so."
    >
      <RecordForm
        schema={Rack}
        groups={rackFields(others)}
        record={start}
        units={job.units}
        submit={rack ? 'Change the rack' : 'Put it up'}
        onSubmit={take}
      >
        {rack && count > 1 && (
          <Button onClick={() => dispatch([{ type: 'removeRack', rackId: rack.id }]) && onClose()}>
            Take {rack.name} away
          </Button>
        )}
      </RecordForm>
    </Sheet>
  );
}
