'use client';

import { Trash2 } from 'lucide-react';
import { useMemo, useState } from 'react';
import { copperModule } from '@/core/base/standards/links';
import { counted } from '@/core/base/text/counted';
import { formatSpeed } from '@/core/base/text/speed';
import { formatLength } from '@/core/base/units/length';
import type { Job } from '@/core/job/document/job';
import { indexJob } from '@/core/job/document/jobIndex';
import { CORD_MEDIA, type CordMedium, cords } from '@/core/job/records/cord';
import type { Gear } from '@/core/job/records/gear';
import { NETWORK_COLOURS } from '@/core/job/records/network';
import { isPanel } from '@/core/job/records/ports';
import { isDataPort, planDeviceCords } from '@/core/trade/patching/uplinks/deviceCords';
import { freePorts, likePorts } from '@/core/trade/patching/uplinks/freePorts';
import { gatewayWords } from '@/core/trade/patching/uplinks/gatewayWords';
import { bundleFaults, bundlesOf } from '@/core/trade/patching/uplinks/linkBundles';
import { topologyOf } from '@/core/trade/patching/uplinks/topology';
import { listUplinks } from '@/core/trade/patching/uplinks/uplinkFacts';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { ShortName } from '../kit/ShortName';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';

const MEDIUM_WORDS: Record<CordMedium, string> = {
  auto: 'by distance',
  copper: 'copper',
  'direct-attach': 'direct-attach',
  fibre: 'fibre',
};

const COLOURS = [{ value: '', words: 'any' }, ...NETWORK_COLOURS.map((value) => ({ value, words: value }))];

/** Devices with data ports, panels excepted: what a cord can join. */
const linkable = (job: Job): Gear[] =>
  indexJob(job).gearInOrder.filter((gear) => !isPanel(gear) && freePorts(job, gear).some(isDataPort));

const ratioWords = (ratio: number | null) => (ratio === null ? '–' : `${ratio.toFixed(1)} : 1`);

/** Links between switches and to the gateway: what they are made of, and what goes through them. */
export function UplinksView() {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const links = listUplinks(job);
  const bundles = bundlesOf(links);
  const gear = linkable(job);
  const topology = topologyOf(job);
  const { switches, loops } = topology;
  return (
    <div className="relative flex min-h-0 flex-1 flex-col gap-3 overflow-auto px-3 py-2">
      {gear.length < 2 ? (
        <p>A cord joins two devices with ports: add a switch or a router at Stack.</p>
      ) : (
        <NewUplink gear={gear} />
      )}
      <DeviceCords />
      <section aria-label="Uplinks">
        <h2 className="wide font-bold">Uplinks and cords inside the cabinet</h2>
        {links.length === 0 && <p className="text-soft">None yet.</p>}
        {links.length > 0 && (
          <table className="mt-1 w-full text-[13px]">
            <thead>
              <tr className="border-b text-left">
                <th className="pr-2">From</th>
                <th className="pr-2">To</th>
                <th className="pr-2">Speed</th>
                <th className="pr-2">Medium</th>
                <th className="pr-2">Way</th>
                <th className="pr-2">Colour</th>
                <th className="pr-2">Bundled</th>
                <th className="pr-2">Take</th>
                <th className="min-w-28 pr-2">What is wrong</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {links.map((link) => {
                const { uplink, from, to, speedMbps, medium, wayMm, parts, heatW, lossDb } = link;
                const faults = [...link.faults, ...bundles.filter((one) => one.includes(link)).flatMap(bundleFaults)];
                const name = `${from.name} ${uplink.fromPort} to ${to.name} ${uplink.toPort}`;
                return (
                  <tr key={uplink.id} className="border-b align-top [&>td]:py-0.5">
                    <End gear={from} port={uplink.fromPort} />
                    <End gear={to} port={uplink.toPort} />
                    <td className="whitespace-nowrap pr-2 font-semibold leading-6">
                      {speedMbps === null ? 'not known' : formatSpeed(speedMbps)}
                    </td>
                    <td className="pr-2">
                      <CommitSelect
                        hideLabel
                        label={`Medium of ${name}`}
                        className="w-44"
                        value={uplink.medium}
                        options={CORD_MEDIA.map((value) => ({
                          value,
                          words: value === 'auto' ? `by distance: ${MEDIUM_WORDS[medium]}` : MEDIUM_WORDS[value],
                        }))}
                        onCommit={(value) =>
                          keep({ table: 'cords', record: { ...uplink, medium: value as CordMedium } })
                        }
                      />
                    </td>
                    <td className="pr-2">
                      <LengthField
                        hideLabel
                        label={`Length of ${name}`}
                        className="w-20"
                        placeholder={wayMm === null ? 'not known' : formatLength(wayMm, job.units)}
                        least={1}
                        mm={uplink.lengthMm}
                        onCommit={(lengthMm) => keep({ table: 'cords', record: { ...uplink, lengthMm } })}
                        onClear={() => keep({ table: 'cords', record: { ...uplink, lengthMm: null } })}
                      />
                    </td>
                    <td className="pr-2">
                      <CommitSelect
                        hideLabel
                        label={`Colour of ${name}`}
                        className="w-24"
                        value={uplink.colour}
                        options={COLOURS}
                        onCommit={(colour) => keep({ table: 'cords', record: { ...uplink, colour } })}
                      />
                    </td>
                    <td className="pr-2 leading-6">
                      <input
                        type="checkbox"
                        aria-label={`Bundle ${name}`}
                        title="Acts as one with the other bundled links between the same two"
                        className="size-4 accent-[var(--act)] align-middle"
                        checked={uplink.bundled}
                        onChange={(event) =>
                          keep({ table: 'cords', record: { ...uplink, bundled: event.target.checked } })
                        }
                      />
                    </td>
                    <td className="min-w-32 pr-2 leading-tight">
                      {parts.map(({ what, count }) => `${count} × ${what}`).join(', ')}
                      {heatW > 0 && <span className="text-soft"> · {heatW} W of heat</span>}
                      {lossDb !== null && <span className="text-soft"> · {lossDb.toFixed(2)} dB at most</span>}
                    </td>
                    <td className="pr-2 text-wont leading-6">{faults.map((fault) => fault.words).join('. ')}</td>
                    <td>
                      <Button look="quiet" aria-label={`Remove ${name}`} onClick={() => drop('cords', uplink.id)}>
                        <Trash2 size={15} aria-hidden />
                      </Button>
                    </td>
                  </tr>
                );
              })}
            </tbody>
          </table>
        )}
        <p className="narrow mt-1 text-soft text-xs">
          A copper module in a fast port takes about {copperModule.heatW} W (rule of thumb). Never look into a fibre or
          a port that may be lit, and unplug before cleaning (IEC 60825-1, -2).
        </p>
      </section>
      {switches.length > 0 && (
        <section aria-label="What goes through them">
          <h2 className="wide font-bold">What goes through them</h2>
          <table className="mt-1 w-full max-w-3xl text-[13px]">
            <thead>
              <tr className="border-b text-left">
                <th className="pr-2">Switch</th>
                <th className="pr-2 text-right">Below</th>
                <th className="pr-2 text-right">Above</th>
                <th className="pr-2 text-right">Below to above</th>
                <th className="pr-2 pl-4">Over each uplink alone</th>
                <th className="pr-2">Way to the gateway</th>
              </tr>
            </thead>
            <tbody>
              {switches.map((row) => (
                <tr key={row.gear.id} className="border-b">
                  <th scope="row" className="pr-2 text-left font-semibold">
                    {row.gear.name}
                  </th>
                  <td className="pr-2 text-right font-mono text-xs">{formatSpeed(row.downMbps)}</td>
                  <td className="pr-2 text-right font-mono text-xs">
                    {row.upMbps > 0 ? formatSpeed(row.upMbps) : 'none'}
                  </td>
                  <td className="pr-2 text-right font-bold font-mono text-xs">{ratioWords(row.ratio)}</td>
                  <td className="pr-2 pl-4 font-mono text-xs">
                    {row.each.map(({ ports, ratio }) => (
                      <span key={ports.join()} className="mr-3 whitespace-nowrap">
                        port {ports.join(' + ')} {ratioWords(ratio)}
                      </span>
                    ))}
                  </td>
                  <td className="pr-2">
                    {!row.reachesGateway ? 'none' : row.redundant ? 'over more than one link' : 'over one link'}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="narrow mt-1 text-soft text-xs">
            Below is all that is patched, and the links to switches further down. Bundled uplinks carry together (IEEE
            802.1AX). Of others one carries and the rest wait where there is a redundancy protocol; without one they are
            counted together (rule of thumb).
          </p>
          <p className="mt-1 text-[13px]">
            {gatewayWords(topology)}{' '}
            {loops.length > 0 &&
              (loops.every((loop) => loop.guarded)
                ? 'Rings are kept by a redundancy protocol.'
                : 'There is a ring without a redundancy protocol: see the docket.')}
          </p>
        </section>
      )}
    </div>
  );
}

/** One end of a cord: port and short name whole, the long one beneath. */
const End = ({ gear, port }: { gear: Gear; port: number }) => (
  <td className="min-w-24 pr-2">
    <span className="font-mono text-xs">
      <ShortName gearId={gear.id} /> {port}
    </span>
    <span className="narrow block text-soft text-xs leading-tight">{gear.name}</span>
  </td>
);

/** What stands in the cabinet and has no cord yet, with the port that each would get. */
function DeviceCords() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const plan = useMemo(() => planDeviceCords(job, () => newRowId('uplink')), [job]);
  if (plan.cords.length + plan.left.length === 0) return null;
  const rows = plan.cords.map(({ uplink }) => ({ table: 'cords' as const, record: uplink }));
  return (
    <section aria-label="Devices without a cord" className="rounded-[3px] border-2 border-act bg-sheet p-2.5">
      <h2 className="wide font-bold">Devices without a cord: {plan.cords.length + plan.left.length}</h2>
      <ul className="my-1 text-[13px]">
        {plan.cords.map(({ uplink, from, to, lengthMm, why }) => (
          <li key={from.id} className="border-b py-0.5">
            <b>{from.name}</b> port {uplink.fromPort} to <b>{to.name}</b> port {uplink.toPort}
            {lengthMm !== null && `, ${formatLength(lengthMm, job.units)}`}: <span className="text-soft">{why}</span>
          </li>
        ))}
        {plan.left.map(({ gear, why }) => (
          <li key={gear.id} className="border-b py-0.5 text-bite">
            {why}
          </li>
        ))}
      </ul>
      {rows.length > 0 && (
        <Button look="main" onClick={() => keep(...rows)}>
          Cable {counted(rows.length, 'device')}
        </Button>
      )}
    </section>
  );
}

function NewUplink({ gear }: { gear: Gear[] }) {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const [fromId, setFrom] = useState(gear.find((one) => one.kind === 'switch')?.id ?? gear[0]?.id ?? '');
  const [toId, setTo] = useState(gear.find((one) => one.kind === 'router')?.id ?? gear[1]?.id ?? '');
  const [ports, setPorts] = useState<[string, string]>(['', '']);
  const [from, to] = [job.gear[fromId], job.gear[toId]];
  if (!from || !to) return null;
  const open = [freePorts(job, from), freePorts(job, to)] as const;
  // Ports of like speed first: what is chosen before a person chose is not to be blamed afterwards.
  const like = likePorts(...open);
  const chosen = open.map((list, at) => list.find((port) => String(port.number) === ports[at]) ?? like[at]);
  const pick = (label: string, value: string, onValue: (id: string) => void, at: 0 | 1) => (
    <>
      <CommitSelect
        label={label}
        value={value}
        options={gear.map((one) => ({ value: one.id, words: one.name }))}
        onCommit={onValue}
      />
      <CommitSelect
        label={`${label}: port`}
        value={String(chosen[at]?.number ?? '')}
        options={open[at].map((port) => ({
          value: String(port.number),
          words: `${port.number} · ${port.connector.toUpperCase()} ${formatSpeed(port.speedMbps ?? 0)}`,
        }))}
        onCommit={(number) => setPorts(at === 0 ? [number, ports[1]] : [ports[0], number])}
      />
    </>
  );
  return (
    <form
      aria-label="New uplink"
      className="flex flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        const [a, b] = chosen;
        if (!a || !b) return;
        const ends = { fromId, fromPort: a.number, toId, toPort: b.number };
        const record = cords.make({ id: newRowId('uplink'), ...ends });
        if (keep({ table: 'cords', record })) setPorts(['', '']);
      }}
    >
      {pick('From', fromId, setFrom, 0)}
      {pick('To', toId, setTo, 1)}
      <Button look="main" type="submit" disabled={!chosen[0] || !chosen[1] || fromId === toId}>
        Link them
      </Button>
    </form>
  );
}
