import type { Gear } from '@/core/job/records/gear';
import { takesPower } from '@/core/trade/power/poe';
import type { SeenPort } from '@/core/trade/testing/switches/readWalk';
import { plannedPorts } from '@/core/trade/testing/switches/reconcile';
import { Heading } from '../kit/viewParts';
import { useSession } from '../session/session';

const known = (value: string | number | null): string => (value === null ? 'not said' : String(value));

/** Port by port: what is planned, and what the switch says of it: speed reached and wanted, power, network, broken frames. */
export function PortTable({ device, seen }: { device: Gear; seen: readonly SeenPort[] }) {
  const job = useSession((session) => session.job);
  const at = new Map(seen.map((one) => [one.port, one]));
  return (
    <details className="text-[13px]">
      <summary className="min-h-8 cursor-pointer py-1 font-semibold">Every port of {device.name}</summary>
      <Heading>Port by port</Heading>
      <div className="overflow-x-auto">
        <table className="min-w-180">
          <thead>
            <tr className="text-left align-bottom">
              {[
                'Port',
                'Planned',
                'Is',
                'Reached, wanted',
                'Power, class',
                'Network',
                'Broken frames',
                'Learnt, or neighbour',
              ].map((head) => (
                <th key={head} className="pr-3">
                  {head}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {plannedPorts(job, device).map(({ port, run, other }) => {
              const one = at.get(port);
              const slow = one?.mbps != null && run?.speedMbps != null && one.up === true && one.mbps < run.speedMbps;
              return (
                <tr key={port} className="border-t">
                  <td className="pr-3 font-mono">{port}</td>
                  <td className="pr-3">
                    {run ? `${run.label} ${run.device}` : other ? `uplink to ${other.name}` : ''}
                  </td>
                  <td className="pr-3">{one?.up == null ? 'not said' : one.up ? 'up' : 'down'}</td>
                  <td className={`pr-3 font-mono ${slow ? 'font-bold text-wont' : ''}`}>
                    {one?.up ? known(one.mbps) : '–'}
                    {run ? `, ${run.speedMbps ?? 'not said'}` : ''}
                    {one?.halfDuplex ? ' half' : ''}
                  </td>
                  <td className="pr-3">
                    {one?.poe ?? 'not said'}
                    {run && takesPower(run)
                      ? `, class ${known(one?.poeClass ?? null)}${run.poeClass === null ? '' : ` of ${run.poeClass} planned`}`
                      : ''}
                  </td>
                  <td className="pr-3 font-mono">{known(one?.network ?? null)}</td>
                  <td className={`pr-3 font-mono ${(one?.fcsErrors ?? 0) > 0 ? 'font-bold text-wont' : ''}`}>
                    {known(one?.fcsErrors ?? null)}
                  </td>
                  <td className="font-mono text-xs">
                    {[...(one?.addresses ?? []), ...(one?.neighbours ?? [])].join(', ')}
                  </td>
                </tr>
              );
            })}
          </tbody>
        </table>
      </div>
    </details>
  );
}
