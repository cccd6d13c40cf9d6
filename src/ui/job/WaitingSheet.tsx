import { useState } from 'react';
import { toast } from 'sonner';
import { stepWords } from '@/core/job/step';
import { counted } from '@/core/text/counted';
import { Button } from '../kit/Button';
import { formatMoment } from '../kit/dates';
import { Sheet } from '../kit/Sheet';
import type { Entry, SetAside } from './outbox';
import { linkOf, useSession } from './session';

function MadeAt({ entry }: { entry: Entry }) {
  const rules = useSession((session) => session.job.rules);
  return <time className="shrink-0 text-soft text-xs">{formatMoment(new Date(entry.madeAt), rules)}</time>;
}

/** A step as text that says all of it, to be kept elsewhere. */
const asText = ({ label, commands, madeAt, why }: SetAside) =>
  `${label}\n${new Date(madeAt).toISOString()}\nNot done: ${why}\n${JSON.stringify(commands, null, 2)}\n`;

/** Steps on their way to the server, and those that could not be done. */
export function WaitingSheet({ open, onClose }: { open: boolean; onClose: () => void }) {
  const pending = useSession((session) => session.pending);
  const aside = useSession((session) => session.aside);
  const link = useSession(linkOf);
  const lasting = useSession((session) => session.lasting);
  const tryNow = useSession((session) => session.tryNow);
  const why =
    link === 'away'
      ? 'There is no way to the server now.'
      : link === 'signed-out'
        ? 'You are signed out: sign in again, and they go on.'
        : link === 'unwell'
          ? 'The server answers that it is not well.'
          : 'They are on their way.';
  return (
    <Sheet
      open={open}
      onClose={onClose}
      title="What waits, and what was set aside"
      about={
        lasting
          ? 'Kept in this browser, also when it is closed, until the server has it.'
          : 'This browser keeps nothing for this page: what waits is lost when the window closes.'
      }
    >
      <section aria-label="Waiting">
        <h3 className="wide border-b font-bold">Waiting: {counted(pending.length, 'step')}</h3>
        {pending.length > 0 && (
          <div className="my-2 flex items-center gap-3">
            <p className="flex-1 text-soft">{why}</p>
            {link === 'signed-out' && (
              <a href={`/sign-in?next=${encodeURIComponent(window.location.pathname)}`} className="underline">
                Sign in
              </a>
            )}
            {link !== 'saved' && <Button onClick={tryNow}>Try now</Button>}
          </div>
        )}
        <ol>
          {pending.map((entry) => (
            <li key={entry.batchId} className="flex gap-3 border-b py-1">
              <span className="min-w-0 flex-1 break-words">{stepWords(entry.kind, entry.label)}</span>
              <MadeAt entry={entry} />
            </li>
          ))}
        </ol>
      </section>
      <section aria-label="Set aside" className="mt-5">
        <h3 className="wide border-b font-bold">Set aside: {counted(aside.length, 'step')}</h3>
        <p className="mt-1 text-soft text-xs">
          {aside.length > 0
            ? 'These could not be done. Nothing behind them was held up. Take from them what you need, then drop them.'
            : 'Nothing: every step could be done.'}
        </p>
        <ol>
          {aside.map((entry) => (
            <AsideItem key={entry.batchId} entry={entry} />
          ))}
        </ol>
      </section>
    </Sheet>
  );
}

function AsideItem({ entry }: { entry: SetAside }) {
  const drop = useSession((session) => session.dropAside);
  const [shown, setShown] = useState(false);
  const copy = async () => {
    try {
      await navigator.clipboard.writeText(asText(entry));
      toast.success('Copied as text.');
    } catch {
      setShown(true);
      toast.error('The browser does not let it be copied: select the text yourself.');
    }
  };
  return (
    <li className="border-b py-2">
      <div className="flex gap-3">
        <span className="min-w-0 flex-1 break-words font-semibold">{stepWords(entry.kind, entry.label)}</span>
        <MadeAt entry={entry} />
      </div>
      <p className="text-wont">{entry.why}</p>
      <div className="mt-1 flex flex-wrap gap-2">
        <Button onClick={() => void copy()}>Copy as text</Button>
        <Button onClick={() => setShown(!shown)} aria-expanded={shown}>
          {shown ? 'Hide it' : 'Show it'}
        </Button>
        <Button onClick={() => drop(entry.batchId)}>Drop it</Button>
      </div>
      {shown && (
        <pre className="mt-2 max-h-60 overflow-auto whitespace-pre-wrap break-all bg-well p-2 font-mono text-xs">
          {asText(entry)}
        </pre>
      )}
    </li>
  );
}
