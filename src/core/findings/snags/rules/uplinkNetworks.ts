import { published } from '../../../base/standards/source';
import { listed } from '../../../base/text/listed';
import { portKey } from '../../../job/records/portKey';
import { patchedRuns } from '../../../trade/patching/patchedRuns';
import { below } from '../../../trade/patching/uplinks/topology';
import { listUplinks } from '../../../trade/patching/uplinks/uplinkFacts';
import type { Finding, SnagRule } from '../snag';

export const uplinkNetworks: SnagRule = {
  id: 'uplink-networks',
  why: 'What an uplink does not carry ends there: the devices of that network below it come up without one. Two untagged networks at its ends run into each other.',
  source: published('IEEE 802.1Q'),
  stations: ['patch'],
  reads: {
    racks: true,
    gear: true,
    placements: true,
    shelvings: true,
    answers: true,
    units: true,
    networks: true,
    runs: ['id', 'networkId'],
    landings: true,
    cords: true,
    portNetworks: true,
  },
  find: ({ job }) => {
    const set = new Map<string, { networkId: string; tagged: boolean }[]>();
    for (const { gearId, port, networkId, tagged } of Object.values(job.portNetworks)) {
      const key = portKey(gearId, port);
      set.set(key, [...(set.get(key) ?? []), { networkId, tagged }]);
    }
    if (set.size === 0) return [];
    const patched = patchedRuns(job);
    const name = (id: string) => job.networks[id]?.name ?? id;
    return listUplinks(job).flatMap(({ uplink, from, to }): Finding[] => {
      const ends = [
        { gear: from, port: uplink.fromPort, rows: set.get(portKey(from.id, uplink.fromPort)) },
        { gear: to, port: uplink.toPort, rows: set.get(portKey(to.id, uplink.toPort)) },
      ];
      const about = { gearIds: [from.id, to.id] };
      const findings: Finding[] = [];
      const [a, b] = ends.map(({ rows }) => rows?.find((row) => !row.tagged)?.networkId ?? null);
      if (a && b && a !== b)
        findings.push({
          ...about,
          grade: 'will-bite',
          rowIds: [uplink.id, 'untagged'],
          what: `Uplink ${from.name} ${uplink.fromPort} to ${to.name} ${uplink.toPort}: untagged it is ${name(a)} at one end and ${name(b)} at the other.`,
        });
      const lower = below(job, uplink);
      const used = new Set(
        patched.flatMap(({ run, device }) => (run.networkId && lower.has(device.id) ? [run.networkId] : [])),
      );
      for (const { gear, port, rows } of ends) {
        if (!rows) continue;
        const missing = [...used].filter((id) => !rows.some((row) => row.networkId === id));
        if (missing.length > 0)
          findings.push({
            ...about,
            grade: 'wont-work',
            rowIds: [uplink.id, gear.id],
            what: `${gear.name} port ${port} is an uplink and does not carry ${listed(missing.map(name))}, which ${missing.length === 1 ? 'is' : 'are'} used below it.`,
          });
      }
      return findings;
    });
  },
};
