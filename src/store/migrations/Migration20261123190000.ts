import { Migration } from '@mikro-orm/migrations';

const TEXT_KEY = `job_id text not null references job (id) on delete cascade, id text not null check (id <> '')`;
const LATER = 'deferrable initially deferred';
const UNIQUE = `unique_key text not null, unique (job_id, unique_key) ${LATER}`;
const to = (field: string, table: string) => `foreign key (job_id, ${field}) references ${table} (job_id, id) ${LATER}`;

const TABLES: Record<string, string[]> = {
  floor: [
    'name text not null',
    'level integer not null',
    'height_mm integer not null',
    'slab_mm integer not null',
    'route text not null',
    UNIQUE,
  ],
  room: [
    'floor_id text not null',
    'name text not null',
    'x_mm integer not null',
    'y_mm integer not null',
    'width_mm integer not null check (width_mm > 0)',
    'depth_mm integer not null check (depth_mm > 0)',
    'code text not null',
    UNIQUE,
    to('floor_id', 'floor'),
  ],
  place: [
    'floor_id text not null',
    'kind text not null',
    'name text not null',
    'x_mm integer not null',
    'y_mm integer not null',
    'height_mm integer not null',
    'side text',
    to('floor_id', 'floor'),
  ],
  wish: [
    'room_id text not null',
    'kind text not null',
    'count integer not null check (count > 0)',
    'coax boolean not null',
    'scope text not null',
    'note text not null',
    to('room_id', 'room'),
  ],
  answer: ['value text not null', 'note text not null'],
  open_point: ['words text not null', 'done boolean not null'],
  cable_kind: [
    'name text not null',
    'carries text not null',
    'screened boolean not null',
    'diameter_mm double precision not null check (diameter_mm > 0)',
    'gauge_awg integer',
    'conductors text not null',
    'bend_factor double precision not null',
    'ratings jsonb not null',
    'box_mm integer not null check (box_mm > 0)',
    'note text not null',
    UNIQUE,
  ],
  box: [
    'name text not null',
    'cable text not null',
    'left_mm integer not null check (left_mm > 0)',
    'bought boolean not null',
    'mark_mm integer',
    'marks_fall boolean not null',
    UNIQUE,
  ],
  cut: [
    'run_id text not null',
    'box_id text not null',
    'pull integer not null check (pull > 0)',
    'length_mm integer not null check (length_mm > 0)',
    UNIQUE,
    to('run_id', 'run'),
    to('box_id', 'box'),
  ],
  pathway: [
    'name text not null',
    'kind text not null',
    'surroundings text not null',
    'width_mm double precision not null check (width_mm > 0)',
    'height_mm double precision',
    'length_mm integer not null check (length_mm > 0)',
    'bends integer not null',
    'bend_radius_mm integer',
    'pull_points integer not null',
    'spacing_mm integer',
    'pull_string boolean not null',
    'reserved_for text not null',
    'mains_mm integer',
    'mains_circuits integer not null',
    'containment text not null',
    UNIQUE,
  ],
  passage: [
    'pathway_id text not null',
    'run_id text not null',
    UNIQUE,
    to('pathway_id', 'pathway'),
    to('run_id', 'run'),
  ],
  jack: ['floor text not null', 'room text not null', 'outlet text not null', UNIQUE],
  tone: [
    'jack_id text not null',
    'run_id text',
    'walk integer not null',
    'remote integer not null',
    'simulated boolean not null',
    to('jack_id', 'jack'),
    to('run_id', 'run'),
  ],
};

const RUN_COLUMNS = [
  "jacket text not null default ''",
  "bundle text not null default ''",
  'entry text',
  'tail_mm integer',
  'outlet_height_mm integer',
  "state text not null default 'wanted'",
  "origin text not null default 'new'",
  "scope text not null default 'now'",
  "asked_by text not null default ''",
];

/** The survey, cable to buy, pathways, and the tracing of unlabelled cables. */
export class Migration20261123190000 extends Migration {
  override up(): void {
    this.addSql(`alter table run ${RUN_COLUMNS.map((column) => `add column ${column}`).join(', ')};`);
    for (const [table, columns] of Object.entries(TABLES)) {
      this.addSql(`create table ${table} (${TEXT_KEY}, primary key (job_id, id), ${columns.join(', ')});`);
    }
  }

  override down(): void {
    for (const table of Object.keys(TABLES).reverse()) this.addSql(`drop table ${table};`);
    for (const column of RUN_COLUMNS) this.addSql(`alter table run drop column ${column.split(' ')[0]};`);
  }
}
