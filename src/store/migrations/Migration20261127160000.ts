import { Migration } from '@mikro-orm/migrations';

const ROW = `job_id text not null references job (id) on delete cascade,
  id text not null check (id <> ''),
  primary key (job_id, id)`;
const LATER = 'deferrable initially deferred';
const key = (table: string, at: number) =>
  `key_${at} text not null check (key_${at} <> ''),
   constraint ${table}_key_${at} unique (job_id, key_${at}) ${LATER}`;
const to = (field: string, table: string) => `foreign key (job_id, ${field}) references ${table} (job_id, id) ${LATER}`;

/** Columns with what stands in rows that are there already. */
const GEAR: readonly [column: string, type: string, initial?: string][] = [
  ['noise_is', 'text', `'pressure'`],
  ['most_c', 'double precision'],
  ['flow_m3h', 'double precision'],
  ['thermostat_c', 'double precision'],
  ['plug', 'text'],
  ['plug_width_mm', 'integer'],
  ['supplies', 'text', `'share'`],
  ['power_factor', 'double precision'],
  ['efficiency', 'double precision'],
  ['inrush_a', 'double precision'],
  ['leak_ma', 'double precision'],
  ['input_a', 'double precision'],
  ['in_outage', 'text', `'may go'`],
  ['battery', 'jsonb'],
  ['drives', 'jsonb'],
  ['days_wanted', 'integer'],
];
const RACK: typeof GEAR = [
  ['material', 'text'],
  ['position', 'text'],
  ['top_covered', 'boolean', 'false'],
  ['vent_low_cm2', 'integer'],
  ['vent_high_cm2', 'integer'],
  ['vent_apart_mm', 'integer'],
  ['filtered', 'boolean', 'false'],
];

const group = (count: string) =>
  `jsonb_build_object('count', ${count}, 'kind', null, 'pitchMm', null, 'backing', null, 'switched', false,
    'measured', false, 'onAfterS', 0, 'apartS', 0)`;

/** Circuits, outlets, plugs, batteries, heat, noise and recordings. */
export class Migration20261127160000 extends Migration {
  override up(): void {
    this.addColumns('gear', GEAR);
    this.addColumns('rack', RACK);
    this.addSql('alter table gear alter column outlets drop default;');
    this.addSql(`alter table gear alter column outlets type jsonb using case
      when outlets > 48 then jsonb_build_array(${group('48')}, ${group('outlets - 48')})
      when outlets > 0 then jsonb_build_array(${group('outlets')}) else '[]'::jsonb end;`);
    this.addSql(`create table circuit (${ROW}, name text not null, volts double precision, breaker_a double precision,
      curve text, full_rated boolean not null, residual_ma double precision, also_w double precision, wire text,
      wire_mm integer, generator boolean not null, notes text not null, ${key('circuit', 1)});`);
    this.addSql(`create table wall_outlet (${ROW}, name text not null, place text not null, circuit_id text, kind text,
      count integer not null, pitch_mm double precision, reach_mm integer, ${key('wall_outlet', 1)},
      ${to('circuit_id', 'circuit')});`);
    this.addSql(`create table plug (${ROW}, gear_id text not null, inlet integer not null, feed_id text, wall_id text,
      outlet integer not null, fixed boolean not null, length_mm integer, side text, ${key('plug', 1)}, ${key('plug', 2)},
      check ((feed_id is null) <> (wall_id is null)),
      ${to('gear_id', 'gear')}, ${to('feed_id', 'gear')}, ${to('wall_id', 'wall_outlet')});`);
    this.addSql(`create table noise_place (${ROW}, name text not null, rack_id text not null, distance_mm integer not null,
      use text not null, absorbs_m2 double precision, between_db double precision not null, day_db double precision,
      night_db double precision, ${key('noise_place', 1)}, ${to('rack_id', 'rack')});`);
    this.addSql(`create table stream (${ROW}, recorder_id text not null, name text not null, count integer not null,
      mbps double precision, percent double precision, ${to('recorder_id', 'gear')});`);
  }

  override down(): void {
    for (const table of ['stream', 'noise_place', 'plug', 'wall_outlet', 'circuit'])
      this.addSql(`drop table ${table};`);
    this.addSql('alter table gear rename column outlets to outlet_groups;');
    this.addSql('alter table gear add column outlets integer not null default 0;');
    this.addSql(`update gear set outlets =
      (select coalesce(sum((one ->> 'count')::integer), 0) from jsonb_array_elements(outlet_groups) as one);`);
    this.addSql('alter table gear drop column outlet_groups;');
    for (const [column] of GEAR) this.addSql(`alter table gear drop column ${column};`);
    for (const [column] of RACK) this.addSql(`alter table rack drop column ${column};`);
  }

  private addColumns(table: string, columns: typeof GEAR): void {
    for (const [column, type, initial] of columns) {
      this.addSql(`alter table ${table} add column ${column} ${type}${initial ? ` not null default ${initial}` : ''};`);
      if (initial) this.addSql(`alter table ${table} alter column ${column} drop default;`);
    }
  }
}
