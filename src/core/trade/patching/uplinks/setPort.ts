import type { Command } from '../../../job/commands/commands';
import type { Job } from '../../../job/document/job';
import type { PlannedPort } from './portPlan';

/** Networks of a port: that of plain devices, and those that are told apart by their number. */
export type PortSetting = { untaggedId: string | null; taggedIds: readonly string[] };

export const settingOf = ({ untagged, tagged }: PlannedPort): PortSetting => ({
  untaggedId: untagged?.id ?? null,
  taggedIds: tagged.map((network) => network.id),
});

/**
 * Set a port by hand, or give it back to what is plugged in. A network is on a port once: that of plain devices is not
 * told apart as well.
 * @param wanted null: as plugged in
 * @param newId makes the id of a new row
 */
export function setPortCommands(
  job: Job,
  { gear, port }: Pick<PlannedPort, 'gear' | 'port'>,
  wanted: PortSetting | null,
  newId: () => string,
): Command[] {
  const mine = Object.values(job.portNetworks).filter((row) => row.gearId === gear.id && row.port === port.number);
  const rows = [
    ...(wanted?.untaggedId ? [{ networkId: wanted.untaggedId, tagged: false }] : []),
    ...[...new Set(wanted?.taggedIds)]
      .filter((networkId) => networkId !== wanted?.untaggedId)
      .map((networkId) => ({ networkId, tagged: true })),
  ];
  const commands: Command[] = [];
  if (mine.length > 0) commands.push({ type: 'dropRows', table: 'portNetworks', ids: mine.map((row) => row.id) });
  if (rows.length > 0)
    commands.push({
      type: 'keepRows',
      rows: rows.map(({ networkId, tagged }) => ({
        table: 'portNetworks',
        record: { id: newId(), gearId: gear.id, port: port.number, networkId, tagged },
      })),
    });
  return commands;
}
