import { type DBSchema, type IDBPDatabase, openDB } from 'idb';
import type { ResultValue } from '@/core/exchange/formats/previewResults';
import type { NewKeptFile } from '@/core/exchange/wire/kept';
import type { OpenJob } from '@/core/exchange/wire/wire';
import type { Command } from '@/core/job/commands/commands';
import type { Actor } from '@/core/job/document/step';

/** A step that the server has not confirmed. */
export type Entry = {
  jobId: string;
  batchId: string;
  kind: 'do' | 'undo' | 'redo';
  /** What was done; for the others: what was taken back, or done again. */
  label: string;
  /** Of a `do`; checked by the schema of commands when it is made. */
  commands: Command[];
  /** The revision that the person saw who made it. */
  seen: number;
  actor: Actor;
  /** Milliseconds since 1970. */
  madeAt: number;
};

/** A step that could not be done, kept with its content until the person deals with it. */
export type SetAside = Entry & { why: string };

/** What of a job is kept here: as the server confirmed it last. */
export type KeptJob = {
  jobId: string;
  opened: OpenJob;
  at: number;
  pinned?: boolean;
  /** Version of the schemas that it was kept by. */
  schema?: number;
};

/** A photograph, a tester’s file or what a switch said, on its way to the server, without what is in it. */
export type WaitingFile = {
  id: string;
  jobId: string;
  kind: NewKeptFile['kind'];
  about: string;
  name: string;
  by: string;
  /** Milliseconds since 1970. */
  at: number;
  /** Why the server did not take it: it is kept until the person decides. Null: it waits. */
  why: string | null;
};

export type FileBody = {
  id: string;
  whole: Uint8Array<ArrayBuffer>;
  /** Of a photograph the small one. */
  small: Uint8Array<ArrayBuffer> | null;
  /** Of a tester’s file: values by frequency of its results. */
  values: { resultId: string; values: readonly ResultValue[] }[];
};

/** What this browser keeps for us. */
export interface Shelves extends DBSchema {
  outbox: { key: number; value: Entry; indexes: { batch: string; job: string } };
  aside: { key: string; value: SetAside; indexes: { job: string } };
  jobs: { key: string; value: KeptJob };
  /** Files that wait, and what is in them apart: the list of them is read often. */
  files: { key: string; value: WaitingFile; indexes: { job: string } };
  bodies: { key: string; value: FileBody };
}

/** As an earlier version of the program kept a photograph that waits. */
type EarlierPhoto = Pick<WaitingFile, 'id' | 'jobId' | 'about' | 'name' | 'by' | 'at'> & {
  whole: Uint8Array<ArrayBuffer>;
  small: Uint8Array<ArrayBuffer>;
};

export const NAME = 'good-shelf';
const VERSION = 3;

let opened: Promise<IDBPDatabase<Shelves>> | null = null;
/** The same once it is open, for what must start at once. */
let shelves: IDBPDatabase<Shelves> | null = null;
const forget = () => {
  opened = null;
  shelves = null;
};
export const openAlready = (): IDBPDatabase<Shelves> | null => shelves;

/** @throws when the browser keeps nothing for this page */
export function openShelves(): Promise<IDBPDatabase<Shelves>> {
  opened ??= openDB<Shelves>(NAME, VERSION, {
    async upgrade(db, from, _, change) {
      // What waits in an earlier form of it stays.
      if (from < 1) {
        const outbox = db.createObjectStore('outbox', { autoIncrement: true });
        outbox.createIndex('batch', 'batchId', { unique: true });
        outbox.createIndex('job', 'jobId');
        db.createObjectStore('aside', { keyPath: 'batchId' }).createIndex('job', 'jobId');
        db.createObjectStore('jobs', { keyPath: 'jobId' });
      }
      if (from < 3) {
        const files = db.createObjectStore('files', { keyPath: 'id' });
        files.createIndex('job', 'jobId');
        const bodies = db.createObjectStore('bodies', { keyPath: 'id' });
        if (from === 2) {
          const earlier = db as unknown as IDBPDatabase;
          const photos = (await change.objectStore('photos' as 'files').getAll()) as unknown as EarlierPhoto[];
          for (const { whole, small, ...photo } of photos) {
            await files.put({ ...photo, kind: 'photo', why: null });
            await bodies.put({ id: photo.id, whole, small, values: [] });
          }
          earlier.deleteObjectStore('photos');
        }
      }
    },
    // Another window wants a newer form of it: it is opened anew when it is used next.
    blocking() {
      void opened?.then((db) => db.close());
      forget();
    },
    terminated: forget,
  });
  opened.then((db) => {
    shelves = db;
  }, forget);
  return opened;
}
