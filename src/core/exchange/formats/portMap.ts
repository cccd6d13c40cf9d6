import Papa from 'papaparse';
import { csvCell } from '../../base/text/csvCell';
import type { Job } from '../../job/document/job';
import { indexJob } from '../../job/document/jobIndex';
import { isPanel, isSwitching } from '../../job/records/ports';
import { cordColour } from '../../trade/patching/cordList';
import { listUplinks } from '../../trade/patching/uplinks/uplinkFacts';
import { poeClassOf } from '../../trade/power/poe';
import { traceRun } from '../../trade/trace/traceRun';

/** Columns of the port map. Others read them by name: new ones are only ever added at the end. */
export const PORT_MAP_COLUMNS = [
  'label',
  'floor',
  'room',
  'outlet',
  'device',
  'cable',
  'length_m',
  'panel',
  'panel_port',
  'cord_length_m',
  'cord_colour',
  'switch',
  'switch_port',
  'network',
  'poe_class',
  'critical',
  'state',
  'notes',
] as const;

type PortMapRow = Record<(typeof PORT_MAP_COLUMNS)[number], string>;

const metres = (mm: number | null) => (mm === null ? '' : String(Number((mm / 1000).toFixed(3))));

/** One row a run in label order; what is not decided yet is empty. Devices that are cabled inside the cabinet stand below. */
export function portMap(job: Job): PortMapRow[] {
  const runs = indexJob(job).runsInOrder.map((run) => {
    const { landing, panel, cord, cordMm, device, network, state } = traceRun(job, run);
    const poe = poeClassOf(run);
    return {
      label: run.label,
      floor: run.floor,
      room: run.room,
      outlet: run.outlet,
      device: run.device,
      cable: run.cable,
      length_m: metres(run.lengthMm),
      panel: panel?.name ?? '',
      panel_port: landing ? String(landing.port) : '',
      cord_length_m: metres(cordMm),
      cord_colour: cord ? cordColour(job, cord) : '',
      switch: device?.name ?? '',
      switch_port: cord ? String(cord.switchPort) : '',
      network: network?.name ?? '',
      poe_class: poe === null ? '' : poe === 'beyond' ? 'beyond class 8' : String(poe.class),
      critical: run.critical ? 'yes' : 'no',
      state,
      notes: run.notes,
    };
  });
  return [...runs, ...deviceRows(job)];
}

/** Cords inside the cabinet that lead from a device to its switch or gateway. */
export function deviceRows(job: Job): PortMapRow[] {
  const empty = Object.fromEntries(PORT_MAP_COLUMNS.map((column) => [column, ''])) as PortMapRow;
  return listUplinks(job)
    .filter(({ from, to }) => isSwitching(from) !== isSwitching(to) && !isPanel(from) && !isPanel(to))
    .map(({ uplink, from, to, lengthMm }) => {
      const out = isSwitching(to);
      const [device, port, host, hostPort] = out
        ? [from, uplink.fromPort, to, uplink.toPort]
        : [to, uplink.toPort, from, uplink.fromPort];
      return {
        ...empty,
        room: 'in the cabinet',
        outlet: `port ${port}`,
        device: device.name,
        cord_length_m: metres(lengthMm),
        cord_colour: uplink.colour,
        switch: host.name,
        switch_port: String(hostPort),
        critical: 'no',
        state: 'planned',
      };
    });
}

/** The port map as CSV. Cells that a spreadsheet would run as formulas are neutralised by a leading apostrophe. */
export function portMapCsv(job: Job): string {
  const rows = portMap(job).map((row) => PORT_MAP_COLUMNS.map((column) => csvCell(row[column])));
  return `${Papa.unparse({ fields: [...PORT_MAP_COLUMNS], data: rows }, { newline: '\n' })}\n`;
}
