import { TAKEAWAYS, type Takeaway } from '@/core/exchange/formats/takeaways';
import { stationOf } from '@/core/findings/stations/stations';
import { Sheet } from '../kit/Sheet';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useSession } from '../session/session';

/** Everything that can be taken away of the job, by station. */
export function TakeAwaySheet({ onClose }: { onClose: () => void }) {
  const waiting = useSession((session) => session.pending.length);
  const stations = [...new Set<Takeaway['station']>(TAKEAWAYS.map((one) => one.station))];
  const groups = stations.map((station) => [station, TAKEAWAYS.filter((one) => one.station === station)] as const);
  return (
    <Sheet open onClose={onClose} wide title="Take away" about="Open files and paper, made from the job as it stands.">
      {waiting > 0 && (
        <p className="mb-3 rounded-sm border border-bite px-3 py-2 font-semibold text-bite">
          Files are made by the server: what still waits here is not in them.
        </p>
      )}
      <div className="gap-x-8 sm:columns-2 lg:columns-3">
        {groups.map(([station, takeaways]) => (
          <section key={station ?? 'job'} className="mb-4 break-inside-avoid">
            <h3 className="wide mb-1 border-strong border-b font-bold">
              {station === null ? 'The whole job' : stationOf(station).name}
            </h3>
            <ul>
              {takeaways.map((one) => (
                <li key={one.id} className="flex items-start gap-2 border-b py-1.5">
                  <div className="min-w-0 flex-1">
                    <p className="font-semibold leading-tight">{one.words}</p>
                    <p className="text-soft text-xs">{one.about}</p>
                  </div>
                  <TakeawayLink of={one.id} words="" />
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </Sheet>
  );
}
