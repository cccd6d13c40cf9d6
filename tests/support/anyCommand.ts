import fc from 'fast-check';
import { Refusal } from '../../src/core/base/text/refusal';
import { applyCommands } from '../../src/core/job/commands/apply';
import { Command } from '../../src/core/job/commands/commands';
import type { Change } from '../../src/core/job/document/change';
import type { Job } from '../../src/core/job/document/job';
import { TABLE_NAMES, type TableName, tableOf } from '../../src/core/job/document/tables';
import { Gear } from '../../src/core/job/records/gear';
import { anyField } from './anyField';

const runId = fc.constantFrom('run-1', 'run-2', 'run-3', 'run-4');
const gearId = fc.constantFrom('panel', 'switch', 'extra');
const port = fc.integer({ min: 1, max: 12 });
const changes = fc.record(
  {
    label: fc.constantFrom('1', '2', '3', 'x', ' X ', 'y'),
    room: fc.string({ maxLength: 8 }).filter((text) => /^[^\p{Cc}\p{Cs}]*$/u.test(text)),
    network: fc.constantFrom('', 'Office', 'office ', 'Cameras'),
    carries: fc.constantFrom('ethernet' as const, 'fibre' as const, 'coax' as const),
    poeW: fc.constantFrom(0, 5, 25, 80),
    device: fc.constantFrom('', 'camera'),
  },
  { requiredKeys: [] },
);
const entry = fc.record({ id: runId, label: fc.constantFrom('1', '2', '3', 'x', 'y') });
/** Commands as the stations send them, over a small stock of ids, so that they often meet. */
const stationCommand: fc.Arbitrary<Command> = fc.oneof(
  fc.record({ type: fc.constant('addRuns' as const), runs: fc.array(entry, { minLength: 1, maxLength: 3 }) }),
  fc.record({ type: fc.constant('importRuns' as const), rows: fc.array(entry, { minLength: 1, maxLength: 3 }) }),
  fc.record({
    type: fc.constant('editRuns' as const),
    edits: fc.array(fc.record({ runId, changes }), { minLength: 1, maxLength: 3 }),
  }),
  fc.record({
    type: fc.constant('removeRuns' as const),
    runIds: fc.uniqueArray(runId, { minLength: 1, maxLength: 2 }),
  }),
  fc.record({
    type: fc.constant('landRuns' as const),
    landings: fc.array(fc.record({ runId, panelId: gearId, port }), { minLength: 1, maxLength: 3 }),
  }),
  fc.record({ type: fc.constant('takeOffRuns' as const), runIds: fc.array(runId, { minLength: 1, maxLength: 2 }) }),
  fc.record({
    type: fc.constant('patchPorts' as const),
    cords: fc.array(
      fc.record({ panelId: gearId, panelPort: port, switchId: gearId, switchPort: port, fixed: fc.boolean() }),
      {
        minLength: 1,
        maxLength: 3,
      },
    ),
  }),
  fc.record({
    type: fc.constant('placeGear' as const),
    gearId,
    rackId: fc.constant('rack'),
    bottomU: fc.integer({ min: 1, max: 13 }),
  }),
  fc.record({ type: fc.constant('liftGear' as const), gearIds: fc.array(gearId, { minLength: 1, maxLength: 2 }) }),
  fc.record({
    type: fc.constant('removeGear' as const),
    gearIds: fc.uniqueArray(gearId, { minLength: 1, maxLength: 1 }),
  }),
  fc.record({
    type: fc.constant('editGear' as const),
    gearId,
    changes: fc.record(
      { heightU: fc.integer({ min: 1, max: 3 }), name: fc.constantFrom('Panel', 'panel', 'Else') },
      { requiredKeys: [] },
    ),
  }),
  fc.record({
    type: fc.constant('addGear' as const),
    gear: fc.tuple(
      fc.constant(
        Gear.parse({
          id: 'extra',
          name: 'Extra',
          kind: 'panel',
          heightU: 2,
          depthMm: 60,
          ports: [{ count: 6, connector: 'rj45' }],
        }),
      ),
    ),
  }),
);

const ids: Record<TableName, string[]> = Object.fromEntries(
  TABLE_NAMES.map((table) => [table, ['a', 'b', 'c'].map((letter) => `${tableOf(table).row}-${letter}`)]),
) as never;
Object.assign(ids, {
  runs: ['run-1', 'run-2', 'run-3'],
  gear: ['panel', 'switch', 'extra'],
  racks: ['rack', 'rack-b'],
});

/** A field of a row: of one that refers to others an id of theirs, of another whatever its schema takes. */
function fieldOf(table: TableName, field: string): fc.Arbitrary<unknown> {
  if (field === 'id') return fc.constantFrom(...ids[table]);
  const { refers, schema } = tableOf(table);
  const to = refers.find((one) => one.field === field);
  const plain = anyField(schema.shape[field] as never);
  if (!to) return plain;
  const id = fc.constantFrom(...ids[to.to]);
  return to.whenGone === 'cleared' ? fc.option(id) : id;
}

const tableRow = (table: TableName) =>
  fc.record(
    Object.fromEntries(Object.keys(tableOf(table).schema.shape).map((field) => [field, fieldOf(table, field)])),
  );
const anyTable = fc.constantFrom(...TABLE_NAMES);

/** Rows of every table, made of nothing but their schemas. */
const rowCommand = fc.oneof(
  fc
    .array(
      anyTable.chain((table) => tableRow(table).map((record) => ({ table, record }))),
      { minLength: 1, maxLength: 3 },
    )
    .map((rows) => ({ type: 'keepRows', rows })),
  fc
    .array(
      anyTable.chain((table) =>
        fc
          .tuple(fc.constantFrom(...ids[table]), fc.constantFrom(...Object.keys(tableOf(table).schema.shape).slice(1)))
          .chain(([id, field]) => fieldOf(table, field).map((value) => ({ table, id, changes: { [field]: value } }))),
      ),
      { minLength: 1, maxLength: 2 },
    )
    .map((edits) => ({ type: 'editRows', edits })),
  anyTable.chain((table) => fc.constantFrom(...ids[table]).map((id) => ({ type: 'dropRows', table, ids: [id] }))),
) as unknown as fc.Arbitrary<Command>;

/** Any command, sensible or not, as it comes through the schema that all of them pass. */
export const anyCommand: fc.Arbitrary<Command> = fc
  .oneof({ weight: 3, arbitrary: stationCommand }, { weight: 2, arbitrary: rowCommand })
  .map((one) => Command.parse(JSON.parse(JSON.stringify(one))));

export type Played = { job: Job; steps: { before: Job; job: Job; changes: Change[] }[] };

/** The job after each command that is not refused; a fault that is no refusal is thrown. */
export function play(start: Job, commands: readonly Command[]): Played {
  const steps: Played['steps'] = [];
  let job = start;
  for (const one of commands) {
    try {
      const applied = applyCommands(job, [one]);
      steps.push({ ...applied, before: job });
      job = applied.job;
    } catch (fault) {
      if (!(fault instanceof Refusal)) throw fault;
    }
  }
  return { job, steps };
}
