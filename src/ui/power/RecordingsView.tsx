'use client';

import { Trash2 } from 'lucide-react';
import { citeFor } from '@/core/base/standards/cite';
import {
  ARRAYS,
  arraySource,
  arrays,
  backupSource,
  backupWords,
  recordingSource,
} from '@/core/base/standards/recording';
import { counted } from '@/core/base/text/counted';
import { percent } from '@/core/base/units/percent';
import { Drives, type Gear } from '@/core/job/records/gear';
import { type Stream, streams } from '@/core/job/records/stream';
import { type RecorderFacts, recordersOf } from '@/core/trade/power/storage/recorders';
import { toTib } from '@/core/trade/power/storage/recordings';
import { AnswerField } from '../kit/AnswerField';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { NumberField } from '../kit/NumberField';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Heading, NotKnown, round, Scroll, StateMark } from '../kit/viewParts';
import { useSession } from '../session/session';
import { usePower } from './usePower';

/** How many days recorders hold, and which drives that takes. */
export function RecordingsView() {
  const { job, report } = usePower();
  return (
    <Scroll label="Recordings">
      {recordersOf(job).length === 0 && (
        <p className="max-w-[70ch]">
          No recorder and no store stands in this job. Once one does, here is reckoned how many days of which cameras
          its drives hold.
        </p>
      )}
      {report.storage.length > 0 && <AnswerField id="upload-mbps" className="max-w-44" />}
      {report.storage.map((facts) => (
        <RecorderCard key={facts.gear.id} facts={facts} />
      ))}
      <p className="narrow text-soft text-xs">
        {citeFor(recordingSource, job.rules)}. Arrays: {citeFor(arraySource, job.rules)}; file systems take a tenth, a
        rule of thumb. An array is no backup. {backupWords} ({citeFor(backupSource, job.rules)})
      </p>
    </Scroll>
  );
}

const tb = (value: number | null): string =>
  value === null ? 'not known' : `${round(value, 2)} TB (${round(toTib(value), 2)} TiB)`;

function RecorderCard({ facts }: { facts: RecorderFacts }) {
  const { keep } = useRows();
  const { gear, state, streams: rows } = facts;
  return (
    <section aria-label={gear.name} className="grid gap-2">
      <Heading
        aside={
          <>
            <StateMark state={state} />
            <Button
              look="quiet"
              onClick={() =>
                keep({
                  table: 'streams',
                  record: streams.make({
                    id: newRowId('stream'),
                    recorderId: gear.id,
                    name: `Cameras ${rows.length + 1}`,
                  }),
                })
              }
            >
              Add cameras
            </Button>
          </>
        }
      >
        {gear.name}
      </Heading>
      <Figures>
        <Figure name="Recorded">
          {counted(facts.cameras, 'camera')}, {round(facts.mbps, 1)} Mb/s
        </Figure>
        <Figure name="Holds">{facts.days === null ? 'not known' : counted(Math.floor(facts.days), 'day')}</Figure>
        <Figure name="Wanted">{facts.daysWanted === null ? 'not known' : counted(facts.daysWanted, 'day')}</Figure>
        <Figure name="Takes">{tb(facts.needTb)}</Figure>
        <Figure name="There is">{tb(facts.haveTb)}</Figure>
        {facts.drivesNeeded !== null && <Figure name="Drives of this size">{facts.drivesNeeded}</Figure>}
        {facts.survives !== null && <Figure name="Survives">{counted(facts.survives, 'failed drive')}</Figure>}
        {facts.rebuildH !== null && <Figure name="Rebuild at least">{round(facts.rebuildH, 1)} h</Figure>}
        {facts.unreadable !== null && <Figure name="Unreadable bit then">{percent(facts.unreadable)}</Figure>}
        {facts.firstCopyH !== null && <Figure name="First copy elsewhere">{round(facts.firstCopyH)} h</Figure>}
        {facts.writesMbps !== null && <Figure name="Writes to the drives">{round(facts.writesMbps, 1)} Mb/s</Figure>}
      </Figures>
      <NotKnown things={facts.unknown} />
      <DriveFields gear={gear} />
      <ul>
        {rows.map((row) => (
          <StreamRow key={row.id} row={row} />
        ))}
      </ul>
    </section>
  );
}

function DriveFields({ gear }: { gear: Gear }) {
  const dispatch = useSession((session) => session.dispatch);
  const change = (changes: Partial<Gear>): boolean => dispatch([{ type: 'editGear', gearId: gear.id, changes }]);
  const { drives } = gear;
  const set = (text: string, least: number, make: (value: number) => Partial<Gear>): string | null => {
    if (text.trim() === '') return change({ drives: null }) ? null : 'It could not be taken.';
    const value = Number(text.trim().replace(',', '.'));
    if (!Number.isFinite(value) || value < least)
      return `Expected a number from ${least}, or nothing where it is not known.`;
    return change(make(value)) ? null : 'It could not be taken.';
  };
  const withDrives = (given: Partial<Drives>): Partial<Gear> => ({
    drives: Drives.parse({ count: 1, tbEach: 1, ...drives, ...given }),
  });
  return (
    <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4 xl:grid-cols-6">
      <CommitField
        label="Drives"
        inputMode="numeric"
        placeholder="not known"
        value={drives === null ? '' : String(drives.count)}
        onCommit={(text) => set(text, 1, (count) => withDrives({ count: Math.min(60, Math.round(count)) }))}
      />
      <CommitField
        label="Each"
        unit="TB"
        inputMode="decimal"
        placeholder="not known"
        value={drives === null ? '' : String(drives.tbEach)}
        onCommit={(text) => set(text, 0.01, (tbEach) => withDrives({ tbEach: Math.min(1000, tbEach) }))}
      />
      <CommitSelect
        label="Array"
        value={drives?.array ?? 'single'}
        options={ARRAYS.map((value) => ({ value, words: arrays[value].name }))}
        onCommit={(value) => change(withDrives({ array: value as Drives['array'] }))}
      />
      <CommitField
        label="Days wanted"
        inputMode="numeric"
        placeholder="not known"
        value={gear.daysWanted === null ? '' : String(gear.daysWanted)}
        onCommit={(text) => {
          const value = text.trim() === '' ? null : Number(text);
          if (value !== null && (!Number.isInteger(value) || value < 1 || value > 3650))
            return 'Expected 1 to 3650 days, or nothing.';
          return change({ daysWanted: value }) ? null : 'It could not be taken.';
        }}
      />
    </div>
  );
}

function StreamRow({ row }: { row: Stream }) {
  const { keep, drop } = useRows();
  const change = (changes: Partial<Stream>): boolean => keep({ table: 'streams', record: { ...row, ...changes } });
  return (
    <li className="grid grid-cols-2 items-end gap-2 border-b py-1.5 sm:grid-cols-[1.6fr_0.7fr_0.9fr_0.9fr_auto]">
      <CommitField
        label="Cameras"
        value={row.name}
        onCommit={(text) => (change({ name: text.trim() }) ? null : 'It could not be taken.')}
      />
      <NumberField label="How many" value={row.count} onCommit={(count) => change({ count })} />
      <NumberField
        label="Each"
        unit="Mb/s"
        empty
        placeholder="not known"
        value={row.mbps}
        onCommit={(mbps) => change({ mbps })}
      />
      <NumberField
        label="Recorded"
        unit="% of the time"
        empty
        placeholder="all of it"
        value={row.percent}
        onCommit={(percent) => change({ percent })}
      />
      <Button
        look="quiet"
        className="px-1 text-soft"
        aria-label={`Remove ${row.name}`}
        onClick={() => drop('streams', row.id)}
      >
        <Trash2 size={15} aria-hidden />
      </Button>
    </li>
  );
}
