import { useState } from 'react';
import type { StationId } from '@/core/job/records/stationIds';
import { Sheet } from '../kit/Sheet';
import { ChangesList } from './ChangesList';
import { VersionsList } from './VersionsList';

const TABS = { changes: 'What was done', versions: 'Versions' } as const;

/** What was done to the job and by whom, and the versions of it that have a name. */
export function HistorySheet({ onClose, station }: { onClose: () => void; station: StationId }) {
  const [tab, setTab] = useState<keyof typeof TABS>('changes');
  return (
    <Sheet
      open
      onClose={onClose}
      wide
      title="Changes and versions"
      about="Every step since the job began, and the states of it that have a name."
    >
      <div role="tablist" aria-label="Changes and versions" className="mb-3 flex gap-1 border-b">
        {Object.entries(TABS).map(([id, words]) => (
          <button
            key={id}
            type="button"
            role="tab"
            aria-selected={tab === id}
            className={`-mb-px rounded-t-[3px] border-x border-t px-3 py-1 ${tab === id ? 'border-strong bg-paper font-bold' : 'border-transparent font-semibold text-soft'}`}
            onClick={() => setTab(id as keyof typeof TABS)}
          >
            {words}
          </button>
        ))}
      </div>
      {tab === 'changes' ? <ChangesList station={station} /> : <VersionsList onClose={onClose} />}
    </Sheet>
  );
}
