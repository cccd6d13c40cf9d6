'use client';

import { Plus, Trash2 } from 'lucide-react';
import { DropdownMenu } from 'radix-ui';
import { useState } from 'react';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import {
  LINE_PATTERNS,
  type LinePattern,
  NETWORK_COLOURS,
  type Network,
  networkNamed,
} from '@/core/job/records/network';
import { allowedNetworks } from '@/core/trade/patching/networks/allowed';
import { readNetworkNumber } from '@/core/trade/patching/networks/networkNumber';
import { type PlannedPort, portPlan, portSetting, switchingGear } from '@/core/trade/patching/uplinks/portPlan';
import { type PortSetting, setPortCommands, settingOf } from '@/core/trade/patching/uplinks/setPort';
import { takesPower } from '@/core/trade/power/poe';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect, committing } from '../kit/CommitField';
import { Select } from '../kit/Field';
import { MenuCheck } from '../kit/MenuCheck';
import { MenuSheet } from '../kit/MenuSheet';
import { NetworkMark } from '../kit/NetworkMark';
import { TakeawayLink } from '../kit/TakeawayLink';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';

/** Networks with their marks and numbers, and what every switch port is to be set to. */
export function NetworksView() {
  return (
    <div className="grid min-h-0 flex-1 content-start gap-4 overflow-auto px-3 py-2 min-[1700px]:grid-cols-2">
      <Networks />
      <PortPlan />
    </div>
  );
}

function Networks() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const networks = Object.values(job.networks).sort(
    (a, b) => (a.number ?? 9999) - (b.number ?? 9999) || naturalOrder(a.name, b.name),
  );
  const runs = (network: Network) => Object.values(job.runs).filter((run) => run.networkId === network.id).length;
  const edit = (network: Network, changes: Partial<Omit<Network, 'id'>>) =>
    dispatch([{ type: 'editNetwork', networkId: network.id, changes }]);
  const add = () => {
    const names = new Set(networks.map((network) => network.name));
    let at = networks.length + 1;
    while (names.has(`Network ${at}`)) at += 1;
    dispatch([{ type: 'addNetwork', network: networkNamed(newRowId('network'), `Network ${at}`, networks) }]);
  };
  return (
    <section aria-label="Networks">
      <div className="flex items-baseline gap-2">
        <h2 className="wide font-bold">Networks</h2>
        <Button onClick={add}>
          <Plus size={15} aria-hidden /> Add a network
        </Button>
      </div>
      {networks.length === 0 && <p className="text-soft">None yet. Runs name theirs at Runs, or add one here.</p>}
      {networks.length > 0 && (
        <div className="overflow-x-auto">
          <table className="mt-1 w-full max-w-3xl text-[13px]">
            <thead>
              <tr className="border-b text-left">
                <th className="pr-1">Mark</th>
                <th className="pr-1">Name</th>
                <th className="pr-1">Number</th>
                <th className="pr-1">Code</th>
                <th className="pr-1">Colour</th>
                <th className="pr-1">Line</th>
                <th className="pr-1 text-right">Runs</th>
                <th />
              </tr>
            </thead>
            <tbody>
              {networks.map((network) => (
                <tr key={network.id} className="border-b align-top">
                  <td className="pr-1 leading-8">
                    <NetworkMark network={network} />
                  </td>
                  <td className="min-w-36 pr-1">
                    <CommitField
                      hideLabel
                      label={`Name of ${network.name}`}
                      value={network.name}
                      onCommit={committing((text) => edit(network, { name: text.trim() }))}
                    />
                  </td>
                  <td className="w-16 pr-1">
                    <CommitField
                      hideLabel
                      label={`Number of ${network.name}`}
                      inputMode="numeric"
                      value={network.number === null ? '' : String(network.number)}
                      onCommit={committing((text) => edit(network, { number: readNetworkNumber(text) }))}
                    />
                  </td>
                  <td className="w-12 pr-1">
                    <CommitField
                      hideLabel
                      label={`Code of ${network.name}`}
                      maxLength={3}
                      value={network.code}
                      onCommit={committing((text) => edit(network, { code: text.trim() }))}
                    />
                  </td>
                  <td className="pr-1">
                    <CommitSelect
                      hideLabel
                      label={`Colour of ${network.name}`}
                      value={network.colour}
                      options={NETWORK_COLOURS.map((value) => ({ value, words: value }))}
                      onCommit={(value) => edit(network, { colour: value as Network['colour'] })}
                    />
                  </td>
                  <td className="pr-1">
                    <CommitSelect
                      hideLabel
                      label={`Line of ${network.name}`}
                      value={network.pattern}
                      options={LINE_PATTERNS.map((value) => ({ value, words: value }))}
                      onCommit={(value) => edit(network, { pattern: value as LinePattern })}
                    />
                  </td>
                  <td className="pr-1 text-right font-mono leading-8">{runs(network)}</td>
                  <td>
                    <Button
                      look="quiet"
                      aria-label={`Remove ${network.name}`}
                      onClick={() => dispatch([{ type: 'removeNetwork', networkId: network.id }])}
                    >
                      <Trash2 size={15} aria-hidden />
                    </Button>
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      <Allowed networks={networks} />
    </section>
  );
}

/** Which switch may carry which network. All, until one is chosen. */
function Allowed({ networks }: { networks: Network[] }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const gear = switchingGear(job).filter((one) => one.kind === 'switch');
  if (gear.length === 0 || networks.length === 0) return null;
  const allowed = allowedNetworks(job);
  const turn = (gearId: string, networkId: string) => {
    const rows = Object.values(job.allowances).filter((row) => row.gearId === gearId);
    const row = rows.find((one) => one.networkId === networkId);
    if (row) drop('allowances', row.id);
    else if (rows.length > 0) keep({ table: 'allowances', record: { id: newRowId('allowance'), gearId, networkId } });
    // From all to all but this one.
    else
      keep(
        ...networks
          .filter((network) => network.id !== networkId)
          .map((network) => ({
            table: 'allowances' as const,
            record: { id: newRowId('allowance'), gearId, networkId: network.id },
          })),
      );
  };
  return (
    <>
      <h3 className="mt-3 font-bold">Which switch may carry which</h3>
      <table className="mt-1 text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th className="pr-3">Switch</th>
            {networks.map((network) => (
              <th key={network.id} className="px-2 text-center" title={network.name}>
                {network.code}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {gear.map((one) => (
            <tr key={one.id} className="border-b">
              <th scope="row" className="pr-3 text-left font-semibold">
                {one.name}
                {!one.managed && <span className="font-normal text-soft"> · not managed</span>}
              </th>
              {networks.map((network) => {
                const set = allowed.get(one.id);
                return (
                  <td key={network.id} className="px-2 text-center">
                    <input
                      type="checkbox"
                      className="size-4 accent-[var(--act)]"
                      aria-label={`${one.name} may carry ${network.name}`}
                      checked={!set || set.has(network.id)}
                      onChange={() => turn(one.id, network.id)}
                    />
                  </td>
                );
              })}
            </tr>
          ))}
        </tbody>
      </table>
    </>
  );
}

function PortPlan() {
  const job = useSession((session) => session.job);
  const gear = switchingGear(job);
  const [chosen, setChosen] = useState<string | null>(null);
  const one = gear.find((each) => each.id === chosen) ?? gear.find((each) => each.kind === 'switch') ?? gear[0];
  if (!one) return <p>No switch yet: add one at Stack.</p>;
  const rows = portPlan(job, one);
  return (
    <section aria-label="Port plan">
      <div className="flex flex-wrap items-center gap-2">
        <h2 className="wide font-bold">Port plan</h2>
        <Select
          aria-label="Port plan of"
          className="max-w-56"
          value={one.id}
          onChange={(event) => setChosen(event.target.value)}
        >
          {gear.map((each) => (
            <option key={each.id} value={each.id}>
              {each.name}
            </option>
          ))}
        </Select>
        <TakeawayLink of="port-plan.csv" words="All" />
      </div>
      <table className="mt-1 w-full text-[13px]">
        <thead>
          <tr className="border-b text-left">
            <th className="pr-2 text-right">Port</th>
            <th className="pr-2">Set to</th>
            <th className="pr-2">Network</th>
            <th className="pr-2">Power</th>
            <th>Description</th>
          </tr>
        </thead>
        <tbody>
          {rows.map((row) => (
            <tr key={row.port.number} className="border-b align-baseline">
              <th scope="row" className="pr-2 text-right font-bold font-mono">
                {row.port.number}
              </th>
              <td className="pr-2">{portSetting(row)}</td>
              <td className="pr-2">
                <PortNetworks row={row} />
              </td>
              <td className="pr-2">{row.port.poeW > 0 ? (row.run && takesPower(row.run) ? 'on' : 'off') : ''}</td>
              <td className="text-soft">{row.description}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** The network of plain devices on a port: what is plugged in, or one set by hand; and those told apart by number. */
function PortNetworks({ row }: { row: PlannedPort }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  if (row.use === 'internet') return null;
  const name = `${row.gear.name} port ${row.port.number}`;
  const networks = Object.values(job.networks).sort((a, b) => naturalOrder(a.name, b.name));
  const now = settingOf(row);
  const set = (wanted: PortSetting | null) =>
    dispatch(setPortCommands(job, row, wanted, () => newRowId('port-network')));
  const turn = (networkId: string, on: boolean) =>
    set({
      ...now,
      taggedIds: on ? [...now.taggedIds, networkId] : now.taggedIds.filter((id) => id !== networkId),
    });
  return (
    <div className="flex items-center gap-1">
      <CommitSelect
        hideLabel
        label={`Network of ${name}`}
        value={row.byHand ? (now.untaggedId ?? NONE) : ''}
        options={[
          { value: '', words: row.use === 'uplink' ? 'all, tagged' : 'as plugged in' },
          ...(row.byHand && now.untaggedId === null ? [{ value: NONE, words: 'none for plain devices' }] : []),
          ...networks.map((network) => ({ value: network.id, words: network.name })),
        ]}
        onCommit={(value) => {
          if (value !== NONE)
            set(value === '' ? null : { untaggedId: value, taggedIds: row.byHand ? now.taggedIds : [] });
        }}
      />
      <DropdownMenu.Root modal={false}>
        <DropdownMenu.Trigger asChild>
          <Button aria-label={`${tagWords(row)}: tagged on ${name}`}>{tagWords(row)}</Button>
        </DropdownMenu.Trigger>
        <MenuSheet>
          {networks.map((network) => (
            <MenuCheck
              key={network.id}
              checked={now.taggedIds.includes(network.id)}
              disabled={now.untaggedId === network.id && now.taggedIds.length === 0}
              onCheckedChange={(on) => turn(network.id, on)}
            >
              <NetworkMark network={network} /> {network.name}
            </MenuCheck>
          ))}
        </MenuSheet>
      </DropdownMenu.Root>
    </div>
  );
}

const NONE = 'none';
const tagWords = ({ tagged }: PlannedPort) =>
  tagged.length === 0
    ? '+ tagged'
    : tagged.length > 3
      ? `+ ${tagged.length} tagged`
      : `+ ${tagged.map((one) => one.code).join(' ')}`;
