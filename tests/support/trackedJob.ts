import type { Job } from '../../src/core/job/document/job';
import { type AnyRecord, rowsOf, TABLE_NAMES } from '../../src/core/job/document/tables';

/**
 * A job like this one that notes which fields of which tables are read, as `runs.device`, and `units` and `rules` of the head. Of a
 * table that is looked into at all its ids are read. Nothing of it is kept by what keeps results with what is sealed.
 */
export function trackedJob(job: Job): { job: Job; reads: Set<string> } {
  const reads = new Set<string>();
  const row = (table: string, record: AnyRecord) =>
    new Proxy(
      { ...record },
      {
        get: (of, field: string) => {
          if (typeof field === 'string' && field in of) reads.add(`${table}.${field}`);
          return of[field];
        },
      },
    );
  const tables = Object.fromEntries(
    TABLE_NAMES.map((table) => {
      const rows = Object.fromEntries(
        Object.entries(rowsOf(job, table)).map(([id, record]) => [id, row(table, record)]),
      );
      const look = () => void reads.add(`${table}.id`);
      return [
        table,
        new Proxy(rows, {
          get: (of, id: string) => {
            look();
            return of[id];
          },
          has: (of, id) => {
            look();
            return id in of;
          },
          ownKeys: (of) => {
            look();
            return Reflect.ownKeys(of);
          },
        }),
      ];
    }),
  );
  const { id, name } = job;
  const head = {
    id,
    name,
    get units() {
      reads.add('units');
      return job.units;
    },
    get rules() {
      reads.add('rules');
      return job.rules;
    },
  };
  return { job: Object.defineProperties(head, Object.getOwnPropertyDescriptors(tables)) as unknown as Job, reads };
}
