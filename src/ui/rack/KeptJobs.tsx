import { useEffect, useState } from 'react';
import { Button } from '../kit/Button';
import { WaitingHere } from '../kit/WaitingHere';
import { keptJobs, pinJob } from '../session/outbox';
import { goTo } from './place';

type Kept = Awaited<ReturnType<typeof keptJobs>>[number];

function useKept(): [Kept[] | null, () => void] {
  const [kept, setKept] = useState<Kept[] | null>(null);
  const [attempt, setAttempt] = useState(0);
  // biome-ignore lint/correctness/useExhaustiveDependencies: another attempt reads it anew
  useEffect(() => {
    keptJobs().then(setKept, () => setKept([]));
  }, [attempt]);
  return [kept, () => setAttempt((count) => count + 1)];
}

/** Jobs that open on this device without a network. */
export function KeptJobs() {
  const [kept] = useKept();
  return (
    <main className="mx-auto grid max-w-2xl gap-4 p-4 text-lg">
      <h1 className="wide border-strong border-b-2 pb-2 font-extrabold text-2xl">Jobs on this device</h1>
      <WaitingHere pathOf={(jobId) => `/jobs/${jobId}/rack`} />
      {kept?.length === 0 && (
        <p>None yet: a job that was open here once opens without a network, and is kept while it is pinned.</p>
      )}
      <ul className="grid gap-2">
        {kept?.map(({ jobId, name, pinned, at }) => (
          <li key={jobId}>
            <button
              type="button"
              onClick={() => goTo(`/jobs/${jobId}/rack`)}
              className="flex min-h-16 w-full flex-col justify-center rounded-md border-2 border-strong bg-sheet px-4 py-2 text-left hover:bg-well"
            >
              <span className="break-words font-bold">{name}</span>
              <span className="text-base text-soft">
                {pinned ? 'pinned, ' : ''}as of {new Date(at).toISOString().slice(0, 10)}
              </span>
            </button>
          </li>
        ))}
      </ul>
      <a href="/" className="inline-flex min-h-12 items-center underline">
        All jobs, with the network
      </a>
    </main>
  );
}

const AGAIN_MS = 1000;
const MOST_TRIES = 15;

/** Keep a job on this device for as long as it is pinned. */
export function PinButton({ jobId }: { jobId: string }) {
  const [kept, again] = useKept();
  const [busy, setBusy] = useState(false);
  const pinned = kept?.find((one) => one.jobId === jobId)?.pinned ?? false;
  const turn = async () => {
    setBusy(true);
    // Just opened, it is being kept first.
    for (let tries = 0; tries < MOST_TRIES && !(await pinJob(jobId, !pinned)); tries++)
      await new Promise((wait) => setTimeout(wait, AGAIN_MS));
    setBusy(false);
    again();
  };
  return (
    <Button big aria-pressed={pinned} disabled={busy} onClick={() => void turn()}>
      {busy ? 'Pinning …' : pinned ? 'Pinned to this device' : 'Pin to this device'}
    </Button>
  );
}
