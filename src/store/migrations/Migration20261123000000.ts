import { Migration } from '@mikro-orm/migrations';

const TEXT_KEY = `job_id text not null references job (id) on delete cascade, id text not null check (id <> '')`;
const LATER = 'deferrable initially deferred';

/** Jobs, their records, and the log of changes. Constraints are deferred, so that two runs can change places in one batch. */
export class Migration20261123000000 extends Migration {
  override up(): void {
    this.addSql('create extension if not exists btree_gist;');
    this.addSql(`create table job (
      id text primary key,
      name text not null check (name <> ''),
      units text not null check (units in ('metric', 'imperial')),
      revision integer not null check (revision >= 0),
      created_at timestamptz not null default now(),
      updated_at timestamptz not null default now(),
      removed_at timestamptz
    );`);
    this.addSql(`create table rack (
      ${TEXT_KEY},
      name text not null,
      units integer not null check (units between 1 and 60),
      depth_mm integer not null check (depth_mm > 0),
      numbering text not null check (numbering in ('from-bottom', 'from-top')),
      front_clearance_mm integer,
      rated_load_kg double precision,
      primary key (job_id, id)
    );`);
    this.addSql(`create table gear (
      ${TEXT_KEY},
      name text not null,
      name_key text not null check (name_key <> ''),
      kind text not null,
      height_u integer not null check (height_u >= 1),
      depth_mm integer not null check (depth_mm > 0),
      mass_kg double precision not null check (mass_kg >= 0),
      power_w double precision not null check (power_w >= 0),
      noise_db_a double precision,
      poe_budget_w double precision not null check (poe_budget_w >= 0),
      ports jsonb not null,
      notes text not null,
      primary key (job_id, id),
      constraint gear_one_name unique (job_id, name_key) ${LATER}
    );`);
    this.addSql(`create table placement (
      ${TEXT_KEY},
      gear_id text not null,
      rack_id text not null,
      bottom_u integer not null check (bottom_u >= 1),
      top_u integer not null check (top_u >= bottom_u),
      primary key (job_id, id),
      constraint placement_one_place unique (job_id, gear_id) ${LATER},
      constraint placement_one_gear_a_unit exclude using gist
        (job_id with =, rack_id with =, int4range(bottom_u, top_u, '[]') with &&) ${LATER},
      foreign key (job_id, gear_id) references gear (job_id, id) ${LATER},
      foreign key (job_id, rack_id) references rack (job_id, id) ${LATER}
    );`);
    this.addSql(`create table network (
      ${TEXT_KEY},
      name text not null,
      name_key text not null check (name_key <> ''),
      code text not null,
      colour text not null,
      pattern text not null,
      primary key (job_id, id),
      constraint network_one_name unique (job_id, name_key) ${LATER}
    );`);
    this.addSql(`create table run (
      ${TEXT_KEY},
      label text not null,
      label_key text not null check (label_key <> ''),
      floor text not null,
      room text not null,
      outlet text not null,
      carries text not null,
      cable text not null,
      length_mm integer check (length_mm > 0),
      device text not null,
      speed_mbps integer check (speed_mbps > 0),
      poe_w double precision not null check (poe_w >= 0),
      network_id text,
      critical boolean not null,
      notes text not null,
      primary key (job_id, id),
      constraint run_one_label unique (job_id, label_key) ${LATER},
      foreign key (job_id, network_id) references network (job_id, id) ${LATER}
    );`);
    this.addSql(`create table landing (
      ${TEXT_KEY},
      run_id text not null,
      panel_id text not null,
      port integer not null check (port >= 1),
      primary key (job_id, id),
      constraint landing_one_port unique (job_id, run_id) ${LATER},
      constraint landing_one_run unique (job_id, panel_id, port) ${LATER},
      foreign key (job_id, run_id) references run (job_id, id) ${LATER},
      foreign key (job_id, panel_id) references gear (job_id, id) ${LATER}
    );`);
    this.addSql(`create table cord (
      ${TEXT_KEY},
      panel_id text not null,
      panel_port integer not null check (panel_port >= 1),
      switch_id text not null,
      switch_port integer not null check (switch_port >= 1),
      fixed boolean not null,
      primary key (job_id, id),
      constraint cord_one_at_panel_port unique (job_id, panel_id, panel_port) ${LATER},
      constraint cord_one_at_switch_port unique (job_id, switch_id, switch_port) ${LATER},
      foreign key (job_id, panel_id) references gear (job_id, id) ${LATER},
      foreign key (job_id, switch_id) references gear (job_id, id) ${LATER}
    );`);
    this.addSql(`create table command_log (
      job_id text not null references job (id) on delete cascade,
      revision integer not null check (revision >= 1),
      batch_id text not null,
      kind text not null check (kind in ('do', 'undo', 'redo')),
      target integer,
      standing text not null check (standing in ('done', 'undone', 'dropped')),
      label text not null,
      commands jsonb not null,
      patches jsonb not null,
      inverse jsonb not null,
      at timestamptz not null default now(),
      primary key (job_id, revision),
      constraint command_log_one_batch unique (job_id, batch_id)
    );`);
    this.addSql(`create index command_log_standing on command_log (job_id, standing, revision) where kind = 'do';`);
  }

  override down(): void {
    for (const table of ['command_log', 'cord', 'landing', 'run', 'network', 'placement', 'gear', 'rack', 'job']) {
      this.addSql(`drop table ${table};`);
    }
  }
}
