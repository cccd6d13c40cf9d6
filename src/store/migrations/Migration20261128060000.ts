import { Migration } from '@mikro-orm/migrations';

/** People, their firms, what they may do, and links for those without an account. Tokens and codes stand as hashes. */
export class Migration20261128060000 extends Migration {
  override up(): void {
    // What is sought over all jobs: groups of three letters, small, of whatever language.
    this.addSql('create extension if not exists pg_trgm;');
    this.addSql(`create index run_words on run using gin
      (lower((label || E'\\n' || room || E'\\n' || outlet || E'\\n' || device) collate "und-x-icu") gin_trgm_ops);`);
    this.addSql('create index gear_words on gear using gin (lower(name collate "und-x-icu") gin_trgm_ops);');
    this.addSql(`create table firm (id text primary key, name text not null check (name <> ''),
      made_at timestamptz not null default now());`);
    this.addSql(`create table account (id text primary key, login text not null check (login <> ''),
      name text not null check (name <> ''), password_hash text not null, second_secret text,
      second_step bigint not null default 0, made_at timestamptz not null default now(), ended_at timestamptz);`);
    this.addSql('create unique index account_login on account (lower(login));');
    this.addSql(`create table recovery_code (account_id text not null references account (id) on delete cascade,
      code_hash text not null, used_at timestamptz, primary key (account_id, code_hash));`);
    this.addSql(`create table member (firm_id text not null references firm (id) on delete cascade,
      account_id text not null references account (id) on delete cascade, primary key (firm_id, account_id),
      role text not null check (role in ('owner', 'planner', 'installer', 'reader')));`);
    this.addSql('create index member_account on member (account_id);');
    this.addSql(`create table sign_in (id text primary key, token_hash text not null unique,
      account_id text not null references account (id) on delete cascade,
      firm_id text references firm (id) on delete set null, device text not null,
      made_at timestamptz not null default now(), seen_at timestamptz not null default now(), ended_at timestamptz);`);
    this.addSql('create index sign_in_account on sign_in (account_id);');
    this.addSql(`create table pass (token_hash text primary key, kind text not null check (kind in ('join', 'reset')),
      firm_id text not null references firm (id) on delete cascade, role text,
      account_id text references account (id) on delete cascade, made_by text not null,
      made_at timestamptz not null default now(), until timestamptz not null, used_at timestamptz,
      check ((kind = 'join') = (role is not null)), check ((kind = 'reset') = (account_id is not null)));`);
    this.addSql('alter table job add column firm_id text references firm (id);');
    this.addSql('alter table job add column is_template boolean not null default false;');
    this.addSql('create index job_firm on job (firm_id, updated_at desc);');
    this.addSql(`create table guest (job_id text not null references job (id) on delete cascade,
      account_id text not null references account (id) on delete cascade, primary key (job_id, account_id),
      role text not null check (role in ('planner', 'installer', 'reader')));`);
    this.addSql('create index guest_account on guest (account_id);');
    this.addSql(`create table share_link (id text primary key, token_hash text not null unique,
      job_id text not null references job (id) on delete cascade,
      purpose text not null check (purpose in ('read', 'build', 'tests', 'cabinet')), rack_id text,
      whom text not null, made_by text not null, made_at timestamptz not null default now(),
      until timestamptz not null, revoked_at timestamptz, used_at timestamptz, uses integer not null default 0,
      check ((purpose = 'cabinet') = (rack_id is not null)));`);
    this.addSql('create index share_link_job on share_link (job_id);');
    this.addSql(`create table happening (id bigint generated always as identity primary key,
      firm_id text references firm (id) on delete cascade, job_id text, account_id text, who text not null,
      what text not null, at timestamptz not null default now());`);
    this.addSql('create index happening_firm on happening (firm_id, id desc);');
    this.addSql(`create table kept_piece (job_id text not null references job (id) on delete cascade,
      file_id text not null, at integer not null check (at between 0 and 63), primary key (job_id, file_id, at),
      body bytea not null check (octet_length(body) between 1 and 131072), made_at timestamptz not null default now());`);
    this.addSql(`create table tries (key varchar(255) primary key, points integer not null default 0, expire bigint);`);
  }

  override down(): void {
    this.addSql('drop index run_words;');
    this.addSql('drop index gear_words;');
    this.addSql('drop extension if exists pg_trgm;');
    this.addSql('alter table job drop column firm_id, drop column is_template;');
    for (const table of [
      'kept_piece',
      'tries',
      'happening',
      'share_link',
      'guest',
      'pass',
      'sign_in',
      'member',
      'recovery_code',
    ])
      this.addSql(`drop table ${table};`);
    this.addSql('drop table account;');
    this.addSql('drop table firm;');
  }
}
