import { Migration } from '@mikro-orm/migrations';

const RENAMED = [
  ['panel_id', 'from_id'],
  ['panel_port', 'from_port'],
  ['switch_id', 'to_id'],
  ['switch_port', 'to_port'],
] as const;

/** No cord is shorter; millimetres. */
const LEAST_MM = 50;

/** A cord joins any two ports: patch cords, and links between devices, are one kind of record. */
export class Migration20261202060000 extends Migration {
  override up(): void {
    this.addSql('set constraints all immediate;');
    for (const [was, is] of RENAMED) this.addSql(`alter table cord rename column ${was} to ${is};`);
    this.addSql(`alter table cord add column from_side text not null default 'front',
      add column to_side text not null default 'front', add column medium text not null default 'auto',
      add column bundled boolean not null default false;`);
    for (const column of ['from_side', 'to_side', 'medium', 'bundled'])
      this.addSql(`alter table cord alter column ${column} drop default;`);
    // Of two with one id the link gets a new one.
    this.addSql(`create temporary table moved on commit drop as
      select job_id, id as was, case when exists (select 1 from cord where cord.job_id = uplink.job_id and cord.id = uplink.id)
        then left(id, 40) || '-' || left(md5(job_id || id), 12) else id end as is from uplink;`);
    // The program let no two into one port; where somebody else did, the patch cord stays.
    this.addSql(`insert into cord (job_id, id, from_id, from_port, from_side, to_id, to_port, to_side, medium, bundled, fixed,
        length_mm, colour, key_1, key_2)
      select u.job_id, moved.is, u.from_id, u.from_port, 'front', u.to_id, u.to_port, 'front', u.medium, u.bundled, false,
        case when u.length_mm >= ${LEAST_MM} then u.length_mm end, u.colour,
        u.from_id || ':' || u.from_port, u.to_id || ':' || u.to_port
      from uplink u join moved on moved.job_id = u.job_id and moved.was = u.id
      where not exists (select 1 from cord c where c.job_id = u.job_id
        and (c.key_1 in (u.from_id || ':' || u.from_port, u.to_id || ':' || u.to_port)
          or c.key_2 in (u.from_id || ':' || u.from_port, u.to_id || ':' || u.to_port)));`);
    this.addSql('alter table vouch drop constraint vouch_job_id_uplink_id_fkey;');
    this.addSql(`update vouch set cord_id = moved.is, key_1 = moved.is from moved
      where moved.job_id = vouch.job_id and moved.was = vouch.uplink_id;`);
    this.addSql(`delete from vouch where uplink_id is not null
      and not exists (select 1 from cord where cord.job_id = vouch.job_id and cord.id = vouch.cord_id);`);
    this.addSql('set constraints all immediate;');
    this.addSql('alter table vouch drop column uplink_id;');
    this.addSql('drop table uplink;');
    this.addSql('update job set care = null;');
  }

  override down(): void {
    this.addSql('set constraints all immediate;');
    this.addSql(`create table uplink (job_id text not null references job (id) on delete cascade,
      id text not null check (id <> ''), primary key (job_id, id), from_id text not null,
      from_port integer not null check (from_port > 0), to_id text not null, to_port integer not null check (to_port > 0),
      medium text not null default 'auto', length_mm integer, key_1 text not null, bundled boolean not null default false,
      colour text not null, constraint uplink_key_1 unique (job_id, key_1) deferrable initially deferred,
      constraint uplink_job_id_from_id_fkey foreign key (job_id, from_id) references gear (job_id, id) deferrable initially deferred,
      constraint uplink_job_id_to_id_fkey foreign key (job_id, to_id) references gear (job_id, id) deferrable initially deferred);`);
    const isPatch = `exists (select 1 from gear where gear.job_id = cord.job_id and gear.id = cord.from_id and gear.kind = 'panel')
      and exists (select 1 from gear where gear.job_id = cord.job_id and gear.id = cord.to_id and gear.kind in ('switch', 'router'))
      and from_side = 'front' and to_side = 'front'`;
    this.addSql(`insert into uplink select job_id, id, from_id, from_port, to_id, to_port, medium, length_mm,
      least(key_1, key_2) || ' ' || greatest(key_1, key_2), bundled, colour from cord where not (${isPatch});`);
    this.addSql('alter table vouch add column uplink_id text;');
    this.addSql(`update vouch set uplink_id = cord_id, cord_id = null
      where exists (select 1 from uplink where uplink.job_id = vouch.job_id and uplink.id = vouch.cord_id);`);
    this.addSql(`alter table vouch add constraint vouch_job_id_uplink_id_fkey foreign key (job_id, uplink_id)
      references uplink (job_id, id) deferrable initially deferred;`);
    this.addSql(`delete from cord where not (${isPatch});`);
    this.addSql('set constraints all immediate;');
    this.addSql(
      'alter table cord drop column from_side, drop column to_side, drop column medium, drop column bundled;',
    );
    for (const [was, is] of RENAMED) this.addSql(`alter table cord rename column ${is} to ${was};`);
  }
}
