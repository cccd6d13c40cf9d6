import { TESTER_TELLS, type Tester, testers } from '@/core/job/records/tester';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';

export const TELL_WORDS = {
  continuity: 'continuity',
  'wire-map': 'wire map',
  speed: 'wire map and link speed',
  certified: 'certification',
} as const;

/** Which tester is used, and what it can tell. */
export function TesterFields({ tester, onChoose }: { tester: Tester | null; onChoose: (id: string) => void }) {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const list = Object.values(job.testers);
  const add = () => {
    let at = list.length + 1;
    while (list.some(({ name }) => name === `Tester ${at}`)) at += 1;
    const record = testers.make({ id: newRowId('tester'), name: `Tester ${at}` });
    if (keep({ table: 'testers', record })) onChoose(record.id);
  };
  const change = (changes: Partial<Tester>): boolean =>
    tester !== null && keep({ table: 'testers', record: { ...tester, ...changes } });
  const refused = 'It could not be taken.';
  return (
    <>
      <div className="grid content-start gap-1">
        {list.length > 0 && tester ? (
          <CommitSelect
            label="Tester"
            value={tester.id}
            options={list.map(({ id, name }) => ({ value: id, words: name }))}
            onCommit={onChoose}
          />
        ) : (
          <p className="text-[13px] text-soft">
            No tester is on the list: say which one is used, and what it can tell.
          </p>
        )}
        <Button onClick={add}>Add a tester</Button>
      </div>
      {tester && (
        <details className="text-[13px]" open={list.length === 1 && tester.serial === ''}>
          <summary className="min-h-8 cursor-pointer py-1 font-semibold">About {tester.name}</summary>
          <div className="grid grid-cols-2 gap-2 pb-2">
            <CommitField
              label="Its name"
              value={tester.name}
              onCommit={(name) => (change({ name: name.trim() }) ? null : refused)}
            />
            <CommitSelect
              label="It can tell"
              value={tester.tells}
              options={TESTER_TELLS.map((value) => ({ value, words: TELL_WORDS[value] }))}
              onCommit={(tells) => change({ tells: tells as Tester['tells'] })}
            />
            {tester.tells !== 'certified' && (
              <CommitSelect
                label="Detects split pairs"
                value={tester.seesSplits === null ? 'unknown' : tester.seesSplits ? 'yes' : 'no'}
                options={[
                  { value: 'unknown', words: 'not known' },
                  { value: 'yes', words: 'yes' },
                  { value: 'no', words: 'no' },
                ]}
                onCommit={(value) => change({ seesSplits: value === 'unknown' ? null : value === 'yes' })}
              />
            )}
            <CommitField
              label="Serial number"
              value={tester.serial}
              onCommit={(serial) => (change({ serial: serial.trim() }) ? null : refused)}
            />
            <CommitField
              label="Calibrated on"
              type="date"
              value={tester.calibratedOn ?? ''}
              onCommit={(day) => (change({ calibratedOn: day === '' ? null : day }) ? null : refused)}
            />
          </div>
        </details>
      )}
    </>
  );
}
