import { Migration } from '@mikro-orm/migrations';

const TEXT_KEY = `job_id text not null references job (id) on delete cascade, id text not null check (id <> '')`;
const LATER = 'deferrable initially deferred';
const UNIQUE = `unique_key text not null, unique (job_id, unique_key) ${LATER}`;
const to = (field: string, table: string) => `foreign key (job_id, ${field}) references ${table} (job_id, id) ${LATER}`;

/** What a cabinet and what stands in it are described by, beyond their names and sizes. */
const MORE: Record<string, string[]> = {
  rack: [
    "frame text not null default '19-inch'",
    'posts integer not null default 4',
    'rear_rail_mm integer',
    'rear_rail_least_mm integer',
    'rear_rail_most_mm integer',
    'inner_rail_mm integer',
    'inner_from_u integer',
    'inner_to_u integer',
    "hole_pattern text not null default 'universal'",
    "fixing text not null default 'cage-nut'",
    "thread text not null default 'M6'",
    "door text not null default 'none'",
    "roof text not null default 'closed'",
    "sides text not null default 'closed'",
    'side_room_mm integer',
    "hinge text not null default 'none'",
    "entry text not null default 'top'",
    "internet text not null default 'none'",
    "standing text not null default 'floor'",
    'base_mm integer',
    'outer_width_mm integer',
    'outer_height_mm integer',
    'outer_depth_mm integer',
    'empty_kg double precision',
    'stacked_on text',
  ],
  gear: [
    "frame text not null default '19-inch'",
    'width_mm integer',
    'height_mm integer',
    'plug_front_mm integer',
    'plug_rear_mm integer',
    "ears text not null default 'fixed'",
    "rails text not null default 'none'",
    'rail_least_mm integer',
    'rail_most_mm integer',
    "holes text not null default 'standard'",
    'screw_thread text',
    'idle_w double precision',
    'heat_w double precision',
    "airflow text not null default 'none'",
    "inlet text not null default 'none'",
    'inlets integer not null default 0',
    'outlets integer not null default 0',
    'carries_kg double precision',
    'bays integer not null default 0',
    'price_minor integer',
    'lead_days integer',
  ],
  placement: ["face text not null default 'front'", 'pinned boolean not null default false'],
};

const TABLES: Record<string, string[]> = {
  shelving: [
    'gear_id text not null',
    'carrier_id text not null check (carrier_id <> gear_id)',
    'bay integer check (bay > 0)',
    UNIQUE,
    to('gear_id', 'gear'),
    to('carrier_id', 'gear'),
  ],
  neighbour: [
    'gear_id text not null',
    'beside_id text not null check (beside_id <> gear_id)',
    UNIQUE,
    to('gear_id', 'gear'),
    to('beside_id', 'gear'),
  ],
  mount: [
    'rack_id text not null',
    'wall text not null',
    'species text not null',
    'stud_spacing_mm integer not null',
    'stud_face_mm integer not null',
    'fastener text not null',
    'thread_in_mm integer not null',
    'top_count integer not null',
    'bottom_count integer not null',
    'bracket_width_mm integer not null',
    'bracket_height_mm integer not null',
    'line_height_mm integer not null',
    'pull_n double precision',
    'shear_n double precision',
    'safety_factor double precision not null',
    'lean_n double precision not null',
    'lasting_factor double precision not null',
    'board_mm integer not null',
    UNIQUE,
    to('rack_id', 'rack'),
  ],
};

/** Gear and racks in full, both faces of a rack, shelves, neighbours and walls. */
export class Migration20261123220000 extends Migration {
  override up(): void {
    for (const [table, columns] of Object.entries(MORE)) {
      this.addSql(`alter table ${table} ${columns.map((column) => `add column ${column}`).join(', ')};`);
    }
    this.addSql(`alter table rack add ${to('stacked_on', 'rack')};`);
    this.addSql('alter table placement drop constraint placement_one_gear_a_unit;');
    this.addSql(`alter table placement add constraint placement_one_gear_a_unit exclude using gist
      (job_id with =, rack_id with =, face with =, int4range(bottom_u, top_u, '[]') with &&) ${LATER};`);
    for (const [table, columns] of Object.entries(TABLES)) {
      this.addSql(`create table ${table} (${[TEXT_KEY, ...columns, 'primary key (job_id, id)'].join(', ')});`);
    }
  }

  override down(): void {
    for (const table of Object.keys(TABLES).reverse()) this.addSql(`drop table ${table};`);
    this.addSql("delete from placement where face <> 'front';");
    this.addSql('alter table placement drop constraint placement_one_gear_a_unit;');
    this.addSql(`alter table placement add constraint placement_one_gear_a_unit exclude using gist
      (job_id with =, rack_id with =, int4range(bottom_u, top_u, '[]') with &&) ${LATER};`);
    for (const [table, columns] of Object.entries(MORE)) {
      const names = columns.map((column) => column.split(' ')[0]);
      this.addSql(`alter table ${table} ${names.map((column) => `drop column ${column}`).join(', ')};`);
    }
  }
}
