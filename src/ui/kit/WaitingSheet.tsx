import { useEffect, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { stepWords } from '@/core/job/document/step';
import { tryFilesNow } from '../session/fileQueue';
import { linkOf, useSession } from '../session/session';
import type { SetAside, WaitingFile } from '../session/shelves';
import { toast } from '../session/toast';
import { useFilesOf } from '../session/useFiles';
import { bodyOf, dropFile, markFile } from '../session/waitingFiles';
import { Button, FileLink } from './Button';
import { formatMoment } from './dates';
import { Sheet } from './Sheet';

function MadeAt({ at }: { at: number }) {
  const rules = useSession((session) => session.job.rules);
  return <time className="shrink-0 text-soft text-xs">{formatMoment(new Date(at), rules)}</time>;
}

const FILE_WORDS: Record<WaitingFile['kind'], string> = {
  photo: 'Photograph',
  tester: 'Tester’s file',
  walk: 'Reading of a switch',
};

const amount = (steps: number, files: number): string =>
  files === 0 ? counted(steps, 'step') : `${counted(steps, 'step')}, ${counted(files, 'file')}`;

/** A step as text that says all of it, to be kept elsewhere. */
const asText = ({ label, commands, madeAt, why }: SetAside) =>
  `${label}\n${new Date(madeAt).toISOString()}\nNot done: ${why}\n${JSON.stringify(commands, null, 2)}\n`;

/** Steps on their way to the server, and those that could not be done. */
export function WaitingSheet({ onClose }: { onClose: () => void }) {
  const pending = useSession((session) => session.pending);
  const aside = useSession((session) => session.aside);
  const jobId = useSession((session) => session.job.id);
  const files = useFilesOf(jobId);
  const ofSteps = useSession(linkOf);
  const link = ofSteps === 'saved' ? (files.trouble ?? ofSteps) : ofSteps;
  const waiting = pending.length + files.waiting.length;
  const set = aside.length + files.aside.length;
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
      open
      onClose={onClose}
      title="What waits, and what was set aside"
      about={
        lasting
          ? 'Kept in this browser, also when it is closed, until the server has it.'
          : 'This browser keeps nothing for this page: what waits is lost when the window closes.'
      }
    >
      <section aria-label="Waiting">
        <h3 className="wide border-b font-bold">Waiting: {amount(pending.length, files.waiting.length)}</h3>
        {waiting > 0 && (
          <div className="my-2 flex items-center gap-3">
            <p className="flex-1 text-soft">{why}</p>
            {link === 'signed-out' && (
              <a href={`/sign-in?next=${encodeURIComponent(window.location.pathname)}`} className="underline">
                Sign in
              </a>
            )}
            <Button
              onClick={() => {
                tryNow();
                tryFilesNow();
              }}
            >
              Try now
            </Button>
          </div>
        )}
        <ol>
          {pending.map((entry) => (
            <li key={entry.batchId} className="flex gap-3 border-b py-1">
              <span className="min-w-0 flex-1 break-words">{stepWords(entry.kind, entry.label)}</span>
              <MadeAt at={entry.madeAt} />
            </li>
          ))}
          {files.waiting.map((file) => (
            <li key={file.id} className="flex gap-3 border-b py-1">
              <span className="min-w-0 flex-1 break-words">
                {FILE_WORDS[file.kind]}: {file.name}
              </span>
              <MadeAt at={file.at} />
            </li>
          ))}
        </ol>
      </section>
      <section aria-label="Set aside" className="mt-5">
        <h3 className="wide border-b font-bold">Set aside: {amount(aside.length, files.aside.length)}</h3>
        <p className="mt-1 text-soft text-xs">
          {set > 0
            ? 'These could not be done. Nothing behind them was held up. Take from them what you need, then drop them.'
            : 'Nothing: everything could be done.'}
        </p>
        <ol>
          {aside.map((entry) => (
            <AsideItem key={entry.batchId} entry={entry} />
          ))}
          {files.aside.map((file) => (
            <AsideFile key={file.id} file={file} />
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
        <MadeAt at={entry.madeAt} />
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

/** A file that the server did not take, with all that is in it: to be tried again, put elsewhere, or dropped. */
function AsideFile({ file }: { file: WaitingFile }) {
  const [body, setBody] = useState<{ url: string; picture: boolean } | null>(null);
  useEffect(() => {
    let url = '';
    let current = true;
    void bodyOf(file.id).then((read) => {
      if (!read || !current) return;
      const picture = file.kind === 'photo';
      url = URL.createObjectURL(new Blob([read.whole], { type: picture ? 'image/jpeg' : 'application/octet-stream' }));
      setBody({ url, picture });
    });
    return () => {
      current = false;
      if (url !== '') URL.revokeObjectURL(url);
    };
  }, [file.id, file.kind]);
  const name = file.kind === 'photo' && !/\.jpe?g$/i.test(file.name) ? `${file.name}.jpg` : file.name;
  return (
    <li className="border-b py-2">
      <div className="flex gap-3">
        <span className="min-w-0 flex-1 break-words font-semibold">
          {FILE_WORDS[file.kind]}: {file.name}
        </span>
        <MadeAt at={file.at} />
      </div>
      <p className="text-wont">{file.why}</p>
      {/* biome-ignore lint/performance/noImgElement: it is kept in this browser, and comes from nowhere */}
      {body?.picture && <img src={body.url} alt={file.name} className="mt-1 max-h-40 border border-strong" />}
      <div className="mt-1 flex flex-wrap gap-2">
        <Button aria-label={`Try again: ${file.name}`} onClick={() => void markFile(file.id, null).then(tryFilesNow)}>
          Try again
        </Button>
        {body && (
          <FileLink href={body.url} download={name} aria-label={`Save on this device: ${file.name}`}>
            Save on this device
          </FileLink>
        )}
        <Button aria-label={`Drop it: ${file.name}`} onClick={() => void dropFile(file.id)}>
          Drop it
        </Button>
      </div>
    </li>
  );
}
