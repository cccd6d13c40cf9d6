import { useState } from 'react';
import type { GearChanges } from '@/core/job/commands/gear';
import { freeGearName } from '@/core/job/gear/library';
import { Gear } from '@/core/job/records/gear';
import { Photographs } from '../kit/Photographs';
import { RecordForm } from '../kit/RecordForm';
import { Sheet } from '../kit/Sheet';
import { useSession } from '../session/session';
import { gearFields } from './gearFields';

/** All that is said of one device: of one in the job, or of a new one of your own. */
export function GearSheet({ gear, onClose }: { gear: Gear | null; onClose: () => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const [start] = useState(
    () =>
      gear ??
      Gear.parse({
        id: `gear-${crypto.randomUUID()}`,
        name: freeGearName(
          'New device',
          Object.values(job.gear).map((one) => one.name),
        ),
        kind: 'switch',
        heightU: 1,
        depthMm: 250,
      }),
  );
  const take = (values: Record<string, unknown>, touched: Record<string, unknown>) => {
    const nothing = gear !== null && Object.keys(touched).length === 0;
    const done = gear
      ? nothing || dispatch([{ type: 'editGear', gearId: gear.id, changes: touched as GearChanges }])
      : dispatch([{ type: 'addGear', gear: [Gear.parse({ ...start, ...values })] }]);
    if (done) onClose();
  };
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title={gear ? gear.name : 'A device of your own'}
      about="The data sheet of the real thing rules. What is left empty is taken as usual for its kind."
    >
      <RecordForm
        schema={Gear}
        groups={gearFields(start.kind)}
        record={start}
        units={job.units}
        submit={gear ? `Change ${gear.name}` : 'Add it to the pile'}
        onSubmit={take}
      />
      {gear && (
        <div className="mt-4 border-t pt-3">
          <Photographs about={gear.id} of={gear.name} />
        </div>
      )}
    </Sheet>
  );
}
