import type { Rack } from '@/core/job/records/rack';
import { Select } from '../kit/Field';

/** Which of several cabinets; nothing to choose from is not shown. */
export function RackPicker({ all, rack, onRack }: { all: readonly Rack[]; rack: Rack; onRack: (id: string) => void }) {
  if (all.length < 2) return null;
  return (
    <Select
      aria-label="Cabinet in the hand"
      className="max-w-40"
      title={rack.name}
      value={rack.id}
      onChange={(event) => onRack(event.target.value)}
    >
      {all.map((one) => (
        <option key={one.id} value={one.id}>
          {one.name}
        </option>
      ))}
    </Select>
  );
}
