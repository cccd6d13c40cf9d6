import { STATIONS, type StationId } from '@/core/job/records/stationIds';
import { Sheet } from '../kit/Sheet';
import type { KeyRow } from '../kit/stationViews';
import { setSingleKeys, useSingleKeys } from './singleKeys';
import { STATION_VIEWS } from './stations';

const EVERYWHERE: readonly KeyRow[] = [
  ['/', 'find a label, room, port or device, and trace it; or a formula of the handbook'],
  [`1 – ${STATIONS.length}`, 'go to a station'],
  ['Ctrl Z', 'undo what you did last'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'this list'],
];

export function KeysSheet({ onClose, station }: { onClose: () => void; station: StationId }) {
  const single = useSingleKeys();
  return (
    <Sheet
      open
      onClose={onClose}
      title="Keys"
      about="Everything here can be done without a mouse. Tab goes from control to control."
    >
      {[EVERYWHERE, STATION_VIEWS[station].keys].map((rows, at) => (
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
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-1"
          checked={single}
          onChange={(event) => setSingleKeys(event.target.checked)}
        />
        <span>
          Single keys work
          <span className="block text-soft text-xs">
            Turned off, /, ? and the digits do nothing by themselves, for those who speak to the machine or strike keys
            by chance.
          </span>
        </span>
      </label>
    </Sheet>
  );
}
