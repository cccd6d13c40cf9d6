import { formatWatts } from '../../base/units/power';
import { patchCordsOf } from '../../job/document/cordKinds';
import { portKey } from '../../job/records/portKey';
import { isSwitched, portsOf } from '../../job/records/ports';
import { isLive, isNow } from '../../job/records/run';
import { STATION_NAMES } from '../../job/records/stationIds';
import { groupsOf } from '../../trade/patching/keptPorts';
import { switchLoads } from '../../trade/patching/switchLoad';
import { uncabledGear } from '../../trade/patching/uplinks/deviceCords';
import { partOf, type Station } from './station';

export const patch: Station = {
  id: 'patch',
  name: STATION_NAMES.patch,
  about: 'cords from panel ports to switch ports',
  reads: {
    runs: ['id', 'label', 'scope', 'device', 'carries'],
    landings: true,
    cords: true,
    gear: ['id', 'name', 'kind', 'ports'],
    placements: true,
  },
  // Every live run has its cord, every switch in use a way to the gateway, and gear in the rack its port.
  progress: ({ job, gearInOrder, runsInOrder, landingAtPort, cordAtPanelPort }) => {
    const live = runsInOrder.filter((run) => isNow(run) && isLive(run) && isSwitched(run.carries));
    const patched = new Set<string>();
    for (const { panelId, port, runId } of landingAtPort.values()) {
      if (cordAtPanelPort.has(portKey(panelId, port))) patched.add(runId);
    }
    const used = new Set(Object.values(patchCordsOf(job)).map(({ switchId }) => switchId));
    const group = groupsOf(job);
    const gateway = gearInOrder.find(({ kind }) => kind === 'router');
    const switches = gateway ? gearInOrder.filter(({ id, kind }) => kind === 'switch' && used.has(id)) : [];
    const linked = switches.filter(({ id }) => group(id) === group(gateway?.id ?? '')).length;
    const bare = live.length > 0 ? uncabledGear(job).length : 0;
    const done = live.filter((run) => patched.has(run.id)).length;
    return done === 0 ? [0, live.length] : [done + linked, live.length + switches.length + bare];
  },
  figures: (index) => {
    const loads = switchLoads(index.job);
    const switches = index.gearInOrder.filter((gear) => gear.kind === 'switch');
    return [
      { id: 'patched', name: 'Patched', value: String(index.cordAtSwitchPort.size) },
      ...switches.flatMap((gear) => {
        const { id, name, poeBudgetW } = gear;
        const load = loads.get(gear.id);
        const ports = portsOf(gear).length;
        const usedW = Math.round((load?.usedW ?? 0) * 10) / 10;
        const inUse = portsOf(gear).filter(({ number }) => {
          const key = portKey(gear.id, number);
          return index.cordAtSwitchPort.has(key) || index.uplinkAtPort.has(key);
        }).length;
        return [
          { id: `ports-in-use ${id}`, name: `${name} ports in use`, value: partOf(inUse, ports) },
          ...(poeBudgetW > 0
            ? [{ id: `poe ${id}`, name: `${name} PoE`, value: partOf(usedW, formatWatts(poeBudgetW)) }]
            : []),
        ];
      }),
    ];
  },
};
