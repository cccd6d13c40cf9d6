import { buildMinutes } from '../../base/standards/buildMinutes';
import type { Change } from '../../job/document/change';
import type { Job, RecordOf, TableName } from '../../job/document/job';
import type { BuildStep, StepKind, Turn } from './buildStep';

export const stepId = (kind: StepKind, id: string): string => `${kind}-${id}`;

/** What stands today and what is to stand, with the differences by record. */
export type Both = {
  was: Job;
  is: Job;
  /** Whether a record differs. */
  differs: (table: TableName, id: string) => boolean;
  /** Its differences, which are then those of one step. */
  changesOf: (table: TableName, id: string) => Change[];
};

export const plain = (fields: Partial<BuildStep> & Pick<BuildStep, 'id' | 'kind' | 'turn' | 'words'>): BuildStep => {
  const { take, put } = minutesFor(fields.kind);
  return {
    at: 'cabinet',
    place: '',
    from: '',
    to: '',
    parts: [],
    tools: [],
    takeMin: fields.turn === 'in' ? 0 : take,
    putMin: fields.turn === 'out' ? 0 : put,
    pace: fields.kind,
    who: 'one',
    caution: '',
    gearId: null,
    runId: null,
    cordId: null,
    photograph: false,
    changes: [],
    clearOf: [],
    takeNeeds: [],
    putNeeds: [],
    blockedBy: [],
    canPark: false,
    ...fields,
  };
};

function minutesFor(kind: StepKind): { take: number; put: number } {
  return kind === 'land' ? buildMinutes.land : buildMinutes[kind];
}

/** Ids of a table that differ, with how. */
export function turns<T extends TableName>(
  { was, is, differs }: Both,
  table: T,
): { id: string; turn: Turn; old: RecordOf<T> | null; then: RecordOf<T> | null }[] {
  const before = was[table] as Record<string, RecordOf<T>>;
  const after = is[table] as Record<string, RecordOf<T>>;
  return [...new Set([...Object.keys(before), ...Object.keys(after)])].flatMap((id) => {
    const old: RecordOf<T> | null = before[id] ?? null;
    const then: RecordOf<T> | null = after[id] ?? null;
    if (!differs(table, id)) return [];
    return [
      { id, turn: old === null ? ('in' as const) : then === null ? ('out' as const) : ('move' as const), old, then },
    ];
  });
}

export const recordsOnly = (id: string, changes: readonly Change[]): BuildStep =>
  plain({ id: stepId('records', id), kind: 'records', turn: 'in', words: 'Note what was pinned', at: 'desk', changes });
