'use client';

import { memo, useDeferredValue } from 'react';
import { keptBy } from '@/core/job/document/reads';
import { CARRIES, ENTRY_SIDES, ORIGINS, RUN_STATES, SCOPES } from '@/core/job/records/run';
import { cableKindsOf } from '@/core/trade/runs/cableKinds';
import type { RunColumn } from '@/core/trade/runs/runColumns';
import { useSession } from '../session/session';

/** Lists that cells offer while typing. */
export const LISTS: Partial<Record<RunColumn, string>> = {
  carries: 'list-carries',
  cable: 'list-cable',
  network: 'list-network',
  floor: 'list-floor',
  room: 'list-room',
  entry: 'list-entry',
  state: 'list-state',
  origin: 'list-origin',
  scope: 'list-scope',
  bundle: 'list-bundle',
  jacket: 'list-jacket',
};

const distinct = (values: string[]) => [...new Set(values)].filter(Boolean).slice(0, 60);

/** Words that are in use, and those that a field knows. */
const offered = keptBy(
  { runs: ['cable', 'bundle', 'jacket', 'floor', 'room'], networks: ['name'], cableKinds: true, rules: true },
  (job) => {
    const all = Object.values(job.runs);
    return {
      'list-carries': [...CARRIES],
      'list-cable': distinct([...all.map((run) => run.cable), ...cableKindsOf(job).map((kind) => kind.name)]),
      'list-entry': [...ENTRY_SIDES],
      'list-state': [...RUN_STATES],
      'list-origin': [...ORIGINS],
      'list-scope': [...SCOPES],
      'list-bundle': distinct(all.map((run) => run.bundle)),
      'list-jacket': distinct(all.map((run) => run.jacket)),
      'list-network': distinct(Object.values(job.networks).map((network) => network.name)),
      'list-floor': distinct(all.map((run) => run.floor)),
      'list-room': distinct(all.map((run) => run.room)),
    };
  },
);

/** The lists themselves. */
export function ScheduleLists() {
  // They are for the next cell: what a person typed is drawn first.
  const job = useDeferredValue(useSession((session) => session.job));
  return <Lists lists={offered(job)} />;
}

const Lists = memo(({ lists }: { lists: Record<string, string[]> }) =>
  Object.entries(lists).map(([id, values]) => (
    <datalist key={id} id={id}>
      {values.map((value) => (
        <option key={value} value={value} />
      ))}
    </datalist>
  )),
);
