'use client';

import { FileUp } from 'lucide-react';
import { useState } from 'react';
import { useSession } from '../job/session';
import { Button } from '../kit/Button';
import { useDropFile } from '../kit/useDropFile';
import { type Given, ImportSheet } from './ImportSheet';
import { RunTable } from './RunTable';

/** Runs: the schedule of permanent cables, typed or imported. */
export function RunsStation() {
  const count = useSession((session) => Object.keys(session.job.runs).length);
  const [importing, setImporting] = useState<{ given: Given | null } | null>(null);
  const { over, handlers } = useDropFile(async (file) => {
    setImporting({ given: { name: file.name, bytes: new Uint8Array(await file.arrayBuffer()) } });
  });
  return (
    <section aria-label="Runs" className="relative flex min-h-0 flex-1 flex-col" {...handlers}>
      <div className="flex flex-wrap items-center gap-2 px-3 py-2">
        <Button look={count === 0 ? 'main' : 'plain'} onClick={() => setImporting({ given: null })}>
          <FileUp size={16} aria-hidden /> Import runs
        </Button>
        <p className="text-soft">
          {count === 0
            ? 'No runs yet. Import a CSV, drop it here, or type the first label in the row below.'
            : 'Type into any cell. The last row adds runs, many at once with GF-{01..12}. Drop a CSV here to update by label.'}
        </p>
      </div>
      <RunTable />
      {over && (
        <div className="pointer-events-none absolute inset-2 z-30 grid place-items-center rounded-md border-4 border-act border-dashed bg-sheet/90 font-bold text-xl">
          Drop the list of runs here
        </div>
      )}
      {importing && <ImportSheet given={importing.given} onClose={() => setImporting(null)} />}
    </section>
  );
}
