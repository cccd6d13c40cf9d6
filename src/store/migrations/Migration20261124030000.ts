import { Migration } from '@mikro-orm/migrations';

const TEXT_KEY = `job_id text not null references job (id) on delete cascade, id text not null check (id <> '')`;
const LATER = 'deferrable initially deferred';
const UNIQUE = `unique_key text not null, unique (job_id, unique_key) ${LATER}`;
const to = (field: string, table: string) => `foreign key (job_id, ${field}) references ${table} (job_id, id) ${LATER}`;

const MORE: Record<string, string[]> = {
  gear: [
    "row_order text not null default 'straight'",
    'angled boolean not null default false',
    'managed boolean not null default false',
    'loop_guard boolean not null default false',
    'fill_mm2 integer',
  ],
  network: ['number integer check (number between 1 and 4094)'],
  cord: ['length_mm integer', "colour text not null default ''"],
  landing: ["joint text not null default 'none'", 'joint_mm integer'],
};

const TABLES: Record<string, string[]> = {
  allowance: [
    'gear_id text not null',
    'network_id text not null',
    UNIQUE,
    to('gear_id', 'gear'),
    to('network_id', 'network'),
  ],
  port_network: [
    'gear_id text not null',
    'port integer not null check (port > 0)',
    'network_id text not null',
    'tagged boolean not null default false',
    UNIQUE,
    to('gear_id', 'gear'),
    to('network_id', 'network'),
  ],
  uplink: [
    'from_id text not null',
    'from_port integer not null check (from_port > 0)',
    'to_id text not null',
    'to_port integer not null check (to_port > 0)',
    "medium text not null default 'auto'",
    'length_mm integer',
    UNIQUE,
    to('from_id', 'gear'),
    to('to_id', 'gear'),
  ],
  termination: [
    'run_id text not null',
    '"end" text not null',
    '"by" text not null',
    '"on" text not null',
    'checks jsonb not null',
    UNIQUE,
    to('run_id', 'run'),
  ],
};

/** What a port is made for, before that was asked. */
const PORT_DEFAULTS = `{"category": null, "screened": false, "fitting": "punch", "carries": null}`;

/** Jacks and fittings, networks on ports, uplinks, joints, cords as they are, and who ended which run. */
export class Migration20261124030000 extends Migration {
  override up(): void {
    for (const [table, columns] of Object.entries(MORE)) {
      this.addSql(`alter table ${table} ${columns.map((column) => `add column ${column}`).join(', ')};`);
    }
    this.addSql(`update gear set ports = coalesce((select jsonb_agg('${PORT_DEFAULTS}'::jsonb || one)
      from jsonb_array_elements(ports) as one), '[]'::jsonb);`);
    for (const [table, columns] of Object.entries(TABLES)) {
      this.addSql(`create table ${table} (${[TEXT_KEY, ...columns, 'primary key (job_id, id)'].join(', ')});`);
    }
  }

  override down(): void {
    for (const table of Object.keys(TABLES).reverse()) this.addSql(`drop table ${table};`);
    this.addSql(`update gear set ports = coalesce((select jsonb_agg(one - 'category' - 'screened' - 'fitting' - 'carries')
      from jsonb_array_elements(ports) as one), '[]'::jsonb);`);
    for (const [table, columns] of Object.entries(MORE)) {
      const names = columns.map((column) => column.split(' ')[0]);
      this.addSql(`alter table ${table} ${names.map((column) => `drop column ${column}`).join(', ')};`);
    }
  }
}
