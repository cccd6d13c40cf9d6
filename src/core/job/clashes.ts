import { isPanel, isSwitching, portAt } from '../gear/ports';
import { span } from '../rack/units';
import type { Job, RecordOf, TableName } from './job';
import { portKey, sameKey } from './jobIndex';
import { PLAIN_TABLES, rulesOf } from './plainTables';

/** Rows that share one key, for each key that more than one row has. */
export function sharing<T>(rows: Iterable<T>, key: (row: T) => string): T[][] {
  const groups = new Map<string, T[]>();
  for (const row of rows) {
    const at = key(row);
    const group = groups.get(at);
    if (group) group.push(row);
    else groups.set(at, [row]);
  }
  return [...groups.values()].filter((group) => group.length > 1);
}

/** Pairs of placements that share a unit of one rack. */
export function overlaps(job: Job): [RecordOf<'placements'>, RecordOf<'placements'>][] {
  const rows = Object.values(job.placements).sort((a, b) => a.bottomU - b.bottomU);
  const top = (row: RecordOf<'placements'>) => span(row.bottomU, job.gear[row.gearId]?.heightU ?? 0).topU;
  return rows.flatMap((low, at) =>
    rows
      .slice(at + 1)
      .flatMap((high) =>
        low.rackId === high.rackId && low.face === high.face && high.bottomU <= top(low)
          ? [[low, high] as [typeof low, typeof high]]
          : [],
      ),
  );
}

/** References that lead nowhere, in words, each with the record it stands in. A job that has any cannot be read. */
export function looseEnds(job: Job): string[] {
  const loose: string[] = [];
  const want = (table: TableName, id: string, where: string) => {
    if (!job[table][id]) loose.push(`${where}: expected the id of a record in ${table}, found ${id}`);
  };
  const wantPort = (gearId: string, port: number, field: string, where: string, kind: 'panel' | 'switch') => {
    const gear = job.gear[gearId];
    if (!gear) return;
    const right = kind === 'panel' ? isPanel(gear) : isSwitching(gear);
    if (!right) loose.push(`${where}: expected a ${kind}, but ${gear.name} is of kind ${gear.kind}`);
    else if (!portAt(gear, port)) loose.push(`${where}.${field}: ${gear.name} has no port ${port}`);
  };
  for (const row of Object.values(job.placements)) {
    want('gear', row.gearId, `placements ${row.id}.gearId`);
    want('racks', row.rackId, `placements ${row.id}.rackId`);
  }
  for (const row of Object.values(job.racks)) {
    if (row.stackedOn !== null) want('racks', row.stackedOn, `racks ${row.id}.stackedOn`);
  }
  for (const row of Object.values(job.runs)) {
    if (row.networkId !== null) want('networks', row.networkId, `runs ${row.id}.networkId`);
  }
  for (const row of Object.values(job.landings)) {
    want('runs', row.runId, `landings ${row.id}.runId`);
    want('gear', row.panelId, `landings ${row.id}.panelId`);
    wantPort(row.panelId, row.port, 'port', `landings ${row.id}`, 'panel');
  }
  for (const row of Object.values(job.cords)) {
    want('gear', row.panelId, `cords ${row.id}.panelId`);
    want('gear', row.switchId, `cords ${row.id}.switchId`);
    wantPort(row.panelId, row.panelPort, 'panelPort', `cords ${row.id}`, 'panel');
    wantPort(row.switchId, row.switchPort, 'switchPort', `cords ${row.id}`, 'switch');
  }
  for (const table of PLAIN_TABLES) {
    const { refers } = rulesOf(table);
    for (const row of Object.values<{ id: string } & Record<string, unknown>>(job[table] as never)) {
      for (const { field, to } of refers) {
        if (row[field] !== null) want(to, String(row[field]), `${table} ${row.id}.${field}`);
      }
      const wrong = rulesOf(table).fault?.(row as never) ?? rulesOf(table).clash?.(job, row as never);
      if (wrong) loose.push(`${table} ${row.id}: ${wrong}`);
    }
  }
  return loose;
}

/** What the store's constraints do not allow, in words. `check` reports the same as snags; a stored job never has any. */
export function clashes(job: Job): string[] {
  const runs = Object.values(job.runs);
  const panelPort = (row: RecordOf<'landings'>) => portKey(row.panelId, row.port);
  const names = (rows: { name: string }[]) => rows.map((row) => row.name).join(' and ');
  return [
    ...runs.filter((run) => run.label.trim() === '').map((run) => `runs ${run.id}.label: expected a label, found none`),
    ...sharing(
      runs.filter((run) => run.label.trim() !== ''),
      (run) => sameKey(run.label),
    ).map((group) => `runs: the label ${group[0]?.label} stands ${group.length} times`),
    ...sharing(Object.values(job.gear), (row) => sameKey(row.name)).map(
      (group) => `gear: two devices are called ${names(group)}`,
    ),
    ...sharing(Object.values(job.networks), (row) => sameKey(row.name)).map(
      (group) => `networks: two are called ${names(group)}`,
    ),
    ...sharing(Object.values(job.placements), (row) => row.gearId).map(
      ([row]) => `placements: ${job.gear[row?.gearId ?? '']?.name} stands in two places`,
    ),
    ...Object.values(job.shelvings)
      .filter((row) => Object.values(job.placements).some((place) => place.gearId === row.gearId))
      .map((row) => `shelvings: ${job.gear[row.gearId]?.name} stands on a shelf and in units at once`),
    ...overlaps(job).map(
      ([low, high]) => `placements: ${job.gear[low.gearId]?.name} and ${job.gear[high.gearId]?.name} share a unit`,
    ),
    ...sharing(Object.values(job.landings), (row) => row.runId).map(
      ([row]) => `landings: run ${job.runs[row?.runId ?? '']?.label} is landed twice`,
    ),
    ...sharing(Object.values(job.landings), panelPort).map(
      ([row]) => `landings: two runs on ${job.gear[row?.panelId ?? '']?.name} port ${row?.port}`,
    ),
    ...sharing(Object.values(job.cords), (row) => portKey(row.panelId, row.panelPort)).map(
      ([row]) => `cords: two cords in ${job.gear[row?.panelId ?? '']?.name} port ${row?.panelPort}`,
    ),
    ...sharing(Object.values(job.cords), (row) => portKey(row.switchId, row.switchPort)).map(
      ([row]) => `cords: two cords in ${job.gear[row?.switchId ?? '']?.name} port ${row?.switchPort}`,
    ),
    ...PLAIN_TABLES.flatMap((table) => {
      const { unique } = rulesOf(table);
      if (!unique) return [];
      return sharing(Object.values(job[table]), unique.key as never).map(
        ([row]) => `${table}: two rows share ${unique.words(row as never)}`,
      );
    }),
  ];
}
