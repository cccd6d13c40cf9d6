import { PencilRuler, Plus } from 'lucide-react';
import { useState } from 'react';
import { formatSize } from '@/core/base/units/length';
import { freeGearName, gearLibrary, type LibraryEntry, librarySize } from '@/core/job/gear/library';
import { portWords } from '@/core/job/gear/portPattern';
import { GEAR_KINDS } from '@/core/job/records/gear';
import { Button } from '../kit/Button';
import { Input } from '../kit/Field';
import { Sheet } from '../kit/Sheet';
import { useSession } from '../session/session';
import { useTemplate } from '../session/template';
import { KIND_WORDS } from './gearFields';

/** The firm's own gear and the built-in library of generic gear: each press adds one to the pile. */
export function AddGearSheet({ onOwn, onClose }: { onOwn: () => void; onClose: () => void }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const [wanted, setWanted] = useState('');
  const names = Object.values(job.gear).map((gear) => gear.name);
  const add = (entry: LibraryEntry) => {
    const gear = { ...entry, id: `gear-${crypto.randomUUID()}`, name: freeGearName(entry.name, names) };
    dispatch([{ type: 'addGear', gear: [gear] }]);
  };
  const { template } = useTemplate();
  const own = template?.gear ?? [];
  const words = wanted.toLowerCase().split(/\s+/).filter(Boolean);
  const isWanted = (entry: LibraryEntry) => {
    const text = `${entry.name} ${KIND_WORDS[entry.kind]} ${portWords(entry.ports)}`.toLowerCase();
    return words.every((word) => text.includes(word));
  };
  const found = gearLibrary().filter(isWanted);
  const ownFound = own.filter(isWanted);
  const line = (entry: LibraryEntry, at: number) => {
    const count = names.filter((name) => name === entry.name || name.startsWith(`${entry.name} (`)).length;
    return (
      <li key={`${at} ${entry.name}`} className="flex items-center gap-2 border-b py-0.5">
        <span className="min-w-0 flex-1 break-words">
          {entry.name}
          {count > 0 && <span className="text-soft"> · {count} in the job</span>}
        </span>
        <span className="narrow shrink-0 text-soft text-xs">
          {entry.frame === 'free' ? 'for a shelf' : `${entry.heightU}U`} · {formatSize(entry.depthMm, job.units)}
        </span>
        <Button onClick={() => add(entry)} aria-label={`Add ${entry.name}`} className="min-h-7 py-0.5">
          <Plus size={15} aria-hidden /> Add
        </Button>
      </li>
    );
  };
  return (
    <Sheet
      open
      wide
      onClose={onClose}
      title="Add gear"
      about="Generic gear without makes; figures typical of the class. It goes to the pile."
    >
      <div className="mb-3 flex flex-wrap gap-2">
        <Input
          aria-label="Look for gear"
          placeholder="switch PoE, panel 48, shelf …"
          value={wanted}
          onChange={(event) => setWanted(event.target.value)}
          className="max-w-72"
        />
        <Button onClick={onOwn}>
          <PencilRuler size={15} aria-hidden /> Describe your own
        </Button>
        <p className="self-center text-soft">
          {found.length + ownFound.length} of {librarySize + own.length}
        </p>
      </div>
      {found.length + ownFound.length === 0 && (
        <p>Nothing in the library has that name. Describe it yourself: a name, units, depth and ports will do.</p>
      )}
      {ownFound.length > 0 && (
        <section aria-label="The firm’s own gear" className="mb-4">
          <h3 className="wide border-b font-bold">The firm’s own, from {template?.name}</h3>
          <ul className="grid gap-x-6 md:grid-cols-2">{ownFound.map(line)}</ul>
        </section>
      )}
      <div className="grid gap-x-6 md:grid-cols-2">
        {GEAR_KINDS.map((kind) => {
          const entries = found.filter((entry) => entry.kind === kind);
          if (entries.length === 0) return null;
          return (
            <section key={kind} aria-label={KIND_WORDS[kind]} className="mb-3 break-inside-avoid">
              <h3 className="wide border-b font-bold first-letter:uppercase">{KIND_WORDS[kind]}</h3>
              <ul>{entries.map(line)}</ul>
            </section>
          );
        })}
      </div>
    </Sheet>
  );
}
