import { useState } from 'react';
import { openPoints } from '@/core/job/records/openPoint';
import { Button } from '../kit/Button';
import { inputLook } from '../kit/Field';
import { useAnnounce } from '../kit/useAnnounce';
import { newRowId } from '../kit/useRows';
import { useSession, useSessionStore } from '../session/session';

/** Letters of an open point, and about what a note of a run has room for. */
const MOST = 300;

/** A note on the run that was found; without one it becomes an open point of the job. */
export function NoteView() {
  const run = useSession((session) => session.job.runs[session.selectedRunId ?? '']);
  const session = useSessionStore();
  const announce = useAnnounce();
  const [text, setText] = useState('');
  const [onRun, setOnRun] = useState(true);
  const keep = () => {
    const words = text.replaceAll(/\s+/g, ' ').trim();
    if (words === '') return;
    const { dispatch } = session.getState();
    const done =
      run && onRun
        ? dispatch([
            {
              type: 'editRuns',
              edits: [{ runId: run.id, changes: { notes: [run.notes, words].filter(Boolean).join('; ') } }],
            },
          ])
        : dispatch([
            {
              type: 'keepRows',
              rows: [{ table: 'openPoints', record: openPoints.make({ id: newRowId('point'), words }) }],
            },
          ]);
    if (!done) return;
    setText('');
    announce('The note is kept.');
  };
  return (
    <div className="grid gap-3">
      {run && (
        <label className="flex min-h-12 items-center gap-3">
          <input
            type="checkbox"
            checked={onRun}
            onChange={(event) => setOnRun(event.target.checked)}
            className="size-6 accent-act"
          />
          On run <b className="font-mono">{run.label}</b>
        </label>
      )}
      {run && onRun && run.notes !== '' && (
        <p className="break-words text-base text-soft">There already: {run.notes}</p>
      )}
      {(!run || !onRun) && (
        <p className="text-base text-soft">It becomes an open point of the job. Find a run first to write on it.</p>
      )}
      <textarea
        value={text}
        onChange={(event) => setText(event.target.value)}
        maxLength={MOST}
        rows={4}
        aria-label="Note"
        className={`${inputLook} text-lg!`}
      />
      <Button big look="main" className="min-h-14! text-xl!" disabled={text.trim() === ''} onClick={keep}>
        Keep the note
      </Button>
    </div>
  );
}
