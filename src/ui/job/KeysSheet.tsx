import type { StationId } from '@/core/stations';
import { Sheet } from '../kit/Sheet';

type Row = [keys: string, words: string];

const EVERYWHERE: Row[] = [
  ['/', 'find a label, room, port or device, and trace it'],
  ['1 – 5', 'go to a station'],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'this list'],
];
const AT_STATION: Record<StationId, Row[]> = {
  survey: [
    ['← → ↑ ↓', 'on the plan: move the room or place in focus by 0.1 m, with Shift by 1 m'],
    ['Delete', 'on the plan: remove what is in focus'],
    ['Enter', 'in a field: keep what is typed'],
  ],
  runs: [
    ['Enter', 'next row, same column'],
    ['↑ ↓', 'row above, row below'],
    ['Esc', 'leave the cell as it was'],
    ['Ctrl V', 'paste cells or a column from a sheet, from this cell on'],
    ['GF-{01..12}', 'in the last row: twelve labels at once'],
  ],
  stack: [
    ['Enter', 'pick the device up; put it down'],
    ['↑ ↓', 'while picked up: a unit higher or lower'],
    ['← →', 'while picked up: to the rear rails, and to the next cabinet'],
    ['P', 'pin the device in focus where it stands, or let it go'],
    ['E', 'change the device in focus'],
    ['Delete', 'take the device out of the rack'],
    ['Esc', 'leave it where it was'],
  ],
  land: [
    ['Enter', 'pick a run up; land it on the port in focus'],
    ['← → ↑ ↓', 'from port to port'],
    ['Delete', 'take the run off the port in focus'],
    ['Esc', 'put the run back'],
  ],
  patch: [
    ['Enter', 'pick a strand up; drop it on the port in focus'],
    ['↑ ↓', 'from port to port, or from run to run'],
    ['Delete', 'unpatch the run in focus'],
    ['Esc', 'let go'],
  ],
};

export function KeysSheet({ open, onClose, station }: { open: boolean; onClose: () => void; station: StationId }) {
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="Keys"
      about="Everything here can be done without a mouse. Tab goes from control to control."
    >
      {[EVERYWHERE, AT_STATION[station]].map((rows, at) => (
        <table key={rows[0]?.[0]} className="mb-4 w-full">
          <caption className="text-left font-bold">{at === 0 ? 'Everywhere' : 'At this station'}</caption>
          <tbody>
            {rows.map(([keys, words]) => (
              <tr key={keys} className="border-b">
                <th scope="row" className="w-36 py-1 text-left font-mono font-semibold text-sm">
                  {keys}
                </th>
                <td>{words}</td>
              </tr>
            ))}
          </tbody>
        </table>
      ))}
    </Sheet>
  );
}
