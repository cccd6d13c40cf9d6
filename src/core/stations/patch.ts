import { STATION_NAMES } from '../job/stationIds';
import { switchLoads } from '../patching/switchLoad';
import { portKey } from '../records/portKey';
import { isSwitched, portsOf } from '../records/ports';
import { isLive, isNow } from '../records/run';
import { formatWatts } from '../units/power';
import { partOf, type Station } from './station';

export const patch: Station = {
  id: 'patch',
  name: STATION_NAMES.patch,
  about: 'cords from panel ports to switch ports',
  tables: ['cords', 'uplinks', 'networks', 'allowances', 'portNetworks'],
  reads: { runs: ['id', 'label', 'scope', 'device', 'carries'], landings: true, cords: true },
  progress: ({ runsInOrder, landingAtPort, cordAtPanelPort }) => {
    const live = runsInOrder.filter((run) => isNow(run) && isLive(run) && isSwitched(run.carries));
    const patched = new Set<string>();
    for (const { panelId, port, runId } of landingAtPort.values()) {
      if (cordAtPanelPort.has(portKey(panelId, port))) patched.add(runId);
    }
    return [live.filter((run) => patched.has(run.id)).length, live.length];
  },
  figures: (index) => {
    const loads = switchLoads(index.job);
    const switches = index.gearInOrder.filter((gear) => gear.kind === 'switch');
    return [
      { name: 'Patched', value: String(index.cordAtSwitchPort.size) },
      ...switches.flatMap((gear) => {
        const { name, poeBudgetW } = gear;
        const load = loads.get(gear.id);
        const ports = portsOf(gear).length;
        const usedW = Math.round((load?.usedW ?? 0) * 10) / 10;
        return [
          { name: `${name} ports`, value: partOf(load?.runs.length ?? 0, ports) },
          ...(poeBudgetW > 0 ? [{ name: `${name} PoE`, value: partOf(usedW, formatWatts(poeBudgetW)) }] : []),
        ];
      }),
    ];
  },
};
