import type { z } from 'zod';
import { counted } from '../../base/text/counted';
import { plainCell } from '../../base/text/csvCell';
import { refuse } from '../../base/text/refusal';
import { sameKey } from '../../base/text/sameKey';
import { applyCommands } from '../../job/commands/apply';
import type { Command } from '../../job/commands/commands';
import { emptyJob, type Job } from '../../job/document/job';
import type { JobHead } from '../../job/document/jobHead';
import { Gear } from '../../job/records/gear';
import { type CsvTable, readCsvTable } from '../formats/csvTable';
import { PORT_MAP_COLUMNS } from '../formats/portMap';

type Row = Record<(typeof PORT_MAP_COLUMNS)[number], string> & { line: number };

/** Whether a table is a port map as it is taken away: it knows panel and port. */
export const isPortMap = (header: readonly string[]): boolean =>
  ['label', 'panel', 'panel_port', 'switch', 'switch_port'].every((column) => header.includes(column));

function rowsOf(table: CsvTable): Row[] {
  return table.rows.map(({ line, cells }) => ({
    ...(Object.fromEntries(
      PORT_MAP_COLUMNS.map((column) => {
        const at = table.header.indexOf(column);
        return [
          column,
          at < 0
            ? ''
            : plainCell(cells[at] ?? '')
                .replace(/\s+/g, ' ')
                .trim(),
        ];
      }),
    ) as Omit<Row, 'line'>),
    line,
  }));
}

/** Number of a port in a cell. @throws Refusal that names row and field */
function portOf(row: Row, column: 'panel_port' | 'switch_port'): number | null {
  const cell = row[column];
  if (cell === '') return null;
  const port = Number(cell);
  return Number.isInteger(port) && port >= 1 && port <= 4096
    ? port
    : refuse(
        'port-map',
        `Row ${row.line}, ${column}: found “${cell}”, expected the number of a port.`,
        `row ${row.line}`,
      );
}

function metresOf(row: Row, column: 'length_m' | 'cord_length_m'): number | null {
  const cell = row[column].replace(',', '.');
  if (cell === '') return null;
  const metres = Number(cell);
  return Number.isFinite(metres) && metres > 0 && metres < 10_000
    ? Math.round(metres * 1000)
    : refuse(
        'port-map',
        `Row ${row.line}, ${column}: found “${row[column]}”, expected a length in metres.`,
        `row ${row.line}`,
      );
}

/** Devices that a column names, with the highest port that is used of each. */
function portsBy(rows: readonly Row[], name: 'panel' | 'switch', port: 'panel_port' | 'switch_port') {
  const most = new Map<string, { name: string; ports: number }>();
  for (const row of rows) {
    if (row[name] === '') continue;
    const key = sameKey(row[name]);
    const there = most.get(key) ?? { name: row[name], ports: 1 };
    most.set(key, { ...there, ports: Math.max(there.ports, portOf(row, port) ?? 1) });
  }
  return most;
}

/**
 * A job from nothing but its port map: runs, panels and switches with as many ports as are used, what is landed and patched.
 * @returns the job, and what the list does not hold
 * @throws Refusal that names row and field
 */
export function jobFromPortMap(text: string, head: z.input<typeof JobHead>): { job: Job; notes: string[] } {
  const table = readCsvTable(text);
  if (!isPortMap(table.header))
    refuse('port-map', `It is no port map: expected the columns ${PORT_MAP_COLUMNS.join(', ')}.`, 'row 1');
  const all = rowsOf(table);
  const runs = all.filter(({ label }) => label !== '');
  const inside = all.filter(({ label, device }) => label === '' && device !== '');
  const panels = portsBy(runs, 'panel', 'panel_port');
  const switches = portsBy(all, 'switch', 'switch_port');
  const idOf = new Map<string, string>();
  const commands: Command[] = [];
  const add = (kind: 'panel' | 'switch', key: string, name: string, ports: number, at: number) => {
    const id = `${kind}-${at + 1}`;
    idOf.set(`${kind} ${key}`, id);
    const connector = kind === 'panel' ? ('keystone' as const) : ('rj45' as const);
    const made = Gear.parse({
      id,
      name,
      kind,
      // A list says nothing of sizes: as is usual for so many ports.
      heightU: kind === 'panel' && ports > 24 ? 2 : 1,
      depthMm: kind === 'panel' ? 110 : 250,
      ports: [{ count: ports, connector }],
    });
    commands.push({ type: 'addGear', gear: [made] });
  };
  for (const [at, [key, { name, ports }]] of [...panels].entries()) add('panel', key, name, ports, at);
  for (const [at, [key, { name, ports }]] of [...switches].entries()) add('switch', key, name, ports, at);
  const ids = new Map<string, string>();
  for (const [at, { label, line }] of runs.entries()) {
    if (ids.has(sameKey(label))) refuse('port-map', `Row ${line}, label: ${label} stands twice.`, `row ${line}`);
    ids.set(sameKey(label), `run-${at + 1}`);
  }
  if (runs.length > 0)
    commands.push({
      type: 'addRuns',
      runs: runs.map((row) => ({
        id: ids.get(sameKey(row.label)) ?? '',
        label: row.label,
        floor: row.floor,
        room: row.room,
        outlet: row.outlet,
        device: row.device,
        cable: row.cable,
        lengthMm: metresOf(row, 'length_m'),
        network: row.network,
        critical: row.critical === 'yes',
        notes: row.notes,
        poeClass: /^[0-8]$/.test(row.poe_class) ? Number(row.poe_class) : null,
      })),
    });
  const landed = runs.flatMap((row) => {
    const [panelId, port] = [idOf.get(`panel ${sameKey(row.panel)}`), portOf(row, 'panel_port')];
    return panelId && port !== null ? [{ row, panelId, port, runId: ids.get(sameKey(row.label)) ?? '' }] : [];
  });
  if (landed.length > 0)
    commands.push({
      type: 'landRuns',
      landings: landed.map(({ runId, panelId, port }) => ({ runId, panelId, port })),
    });
  const cords = landed.flatMap(({ row, panelId, port }) => {
    const [switchId, switchPort] = [idOf.get(`switch ${sameKey(row.switch)}`), portOf(row, 'switch_port')];
    return switchId && switchPort !== null
      ? [
          {
            panelId,
            panelPort: port,
            switchId,
            switchPort,
            fixed: true,
            lengthMm: metresOf(row, 'cord_length_m'),
            colour: row.cord_colour,
          },
        ]
      : [];
  });
  if (cords.length > 0) commands.push({ type: 'patchPorts', cords });
  const job = applyCommands(emptyJob(head), commands).job;
  return {
    job,
    notes: [
      `${counted(runs.length, 'run')}, ${counted(panels.size, 'panel')} and ${counted(switches.size, 'switch', 'switches')} came in from the port map.`,
      'A port map does not hold: cabinets and places, sizes and weights of gear, ports that are not used, speeds, power, pathways, tests and prices.',
      ...(inside.length > 0
        ? [`${counted(inside.length, 'device')} cabled inside the cabinet did not come in: add them under Stack.`]
        : []),
    ],
  };
}
