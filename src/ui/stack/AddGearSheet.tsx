import { Plus } from 'lucide-react';
import { freeGearName, gearLibrary } from '@/core/gear/library';
import { formatSize } from '@/core/units/length';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { Sheet } from '../kit/Sheet';

/** The built-in library of generic gear: each press adds one to the pile. */
export function AddGearSheet({ onClose }: { onClose: () => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const names = Object.values(job.gear).map((gear) => gear.name);
  const add = (entry: (typeof gearLibrary)[number]) => {
    const gear = { ...entry, id: `gear-${crypto.randomUUID()}`, name: freeGearName(entry.name, names) };
    dispatch([{ type: 'addGear', gear: [gear] }]);
  };
  return (
    <Sheet
      open
      onClose={onClose}
      title="Add gear"
      about="Generic gear without makes; figures typical of the class. It goes to the pile."
    >
      <ul>
        {gearLibrary.map((entry) => {
          const count = names.filter((name) => name === entry.name || name.startsWith(`${entry.name} (`)).length;
          return (
            <li key={entry.name} className="flex items-center gap-2 border-b py-1">
              <span className="min-w-0 flex-1">
                {entry.name}
                {count > 0 && <span className="text-soft"> · {count} in the job</span>}
              </span>
              <span className="narrow text-soft text-xs">
                {entry.heightU}U · {formatSize(entry.depthMm, job.units)}
              </span>
              <Button onClick={() => add(entry)} aria-label={`Add ${entry.name}`}>
                <Plus size={15} aria-hidden /> Add
              </Button>
            </li>
          );
        })}
      </ul>
    </Sheet>
  );
}
