import { Camera } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import { type KeptFile, SMALL } from '@/core/exchange/wire/kept';
import { actorHere } from '../session/actor';
import { tryFilesNow } from '../session/fileQueue';
import { useSession } from '../session/session';
import { useFilesOf } from '../session/useFiles';
import { addFile } from '../session/waitingFiles';
import { Button } from './Button';
import { forgetFile, keptFilesOf, picturePath } from './keptFiles';
import { smallPicture } from './smallPicture';
import { newRowId } from './useRows';

/** Photographs, latest first, each with what it is of, and how many wait for the network; null until they were read. */
export function usePhotographs(about: string | null): {
  photographs: KeptFile[] | null;
  waiting: number;
  fault: string | null;
  work: (doing: () => Promise<KeptFile[]>) => Promise<void>;
} {
  const jobId = useSession((session) => session.job.id);
  const [files, setFiles] = useState<KeptFile[] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const here = useFilesOf(jobId).waiting.filter(({ kind }) => kind === 'photo');
  const work = useCallback(async (doing: () => Promise<KeptFile[]>) => {
    try {
      setFiles(await doing());
      setFault(null);
    } catch (wrong) {
      setFault(wrong instanceof Error ? wrong.message : 'It could not be done.');
    }
  }, []);
  // Read anew when one of those that waited has gone its way.
  // biome-ignore lint/correctness/useExhaustiveDependencies: how many wait says when
  useEffect(() => {
    const read = () => void work(() => keptFilesOf(jobId));
    read();
    window.addEventListener('online', read);
    return () => window.removeEventListener('online', read);
  }, [jobId, work, here.length]);
  const photographs =
    files?.filter(
      (file) => file.kind === 'photo' && !file.id.endsWith(SMALL) && (about === null || file.about === about),
    ) ?? null;
  return { photographs, waiting: here.filter((one) => about === null || one.about === about).length, fault, work };
}

/**
 * Photographs of one thing, and a way to take one more, without the network too.
 * @param about id of what they are of: a run, a device, a step
 * @param of what it is called
 */
export function Photographs({ about, of, big = false }: { about: string; of: string; big?: boolean }) {
  const jobId = useSession((session) => session.job.id);
  const { photographs, waiting, fault, work } = usePhotographs(about);
  const [busy, setBusy] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const shot = async (file: File) => {
    setBusy(true);
    setWrong(null);
    try {
      const whole = await smallPicture(file, 'whole');
      const small = await smallPicture(file, 'small');
      const name = `${of} ${new Date().toISOString().slice(0, 10)}`.replace(/[\p{Cc}/\\]/gu, ' ').slice(0, 120);
      const at = Date.now();
      const photo = { id: newRowId('photo'), jobId, kind: 'photo' as const, about, name, by: actorHere().name, at };
      await addFile(photo, { whole, small, values: [] });
      tryFilesNow();
    } catch {
      setWrong('The browser cannot read this picture, or has no room for it.');
    }
    setBusy(false);
  };
  return (
    <section aria-label={`Photographs of ${of}`} className="grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <label
          className={`inline-flex cursor-pointer items-center gap-1.5 rounded-[3px] border border-strong bg-sheet px-2.5 py-1 font-semibold focus-within:outline-2 ${big ? 'min-h-14 text-lg' : 'min-h-8'}`}
        >
          <Camera size={16} aria-hidden /> {busy ? 'Keeping it …' : 'Photograph it'}
          <input
            type="file"
            accept="image/*"
            capture="environment"
            disabled={busy}
            className="sr-only"
            aria-label={`Photograph of ${of}`}
            onChange={(event) => {
              const file = event.target.files?.[0];
              event.target.value = '';
              if (file) void shot(file);
            }}
          />
        </label>
        {photographs && photographs.length > 0 && (
          <span className="text-[13px] text-soft">{photographs.length} kept, without place data</span>
        )}
        {waiting > 0 && !busy && (
          <span role="status" className="rounded-sm bg-bite px-1.5 font-bold text-sheet text-xs">
            {waiting} kept on this device, waiting to be sent
          </span>
        )}
      </div>
      {(wrong ?? (waiting === 0 ? fault : null)) && (
        <p role="alert" className="font-semibold text-wont">
          {wrong ?? fault}
        </p>
      )}
      <Album photographs={photographs ?? []} onForget={(id) => void work(() => forgetFile(jobId, id))} />
    </section>
  );
}

/** Small pictures, each opening the whole one. */
export function Album({ photographs, onForget }: { photographs: readonly KeptFile[]; onForget: (id: string) => void }) {
  const jobId = useSession((session) => session.job.id);
  if (photographs.length === 0) return null;
  return (
    <ul className="grid grid-cols-[repeat(auto-fill,minmax(9rem,1fr))] gap-3">
      {photographs.map(({ id, name, by, at }) => (
        <li key={id} className="grid content-start gap-1 text-xs">
          <a href={picturePath(jobId, id)} target="_blank" rel="noreferrer" className="block min-h-16">
            {/* biome-ignore lint/performance/noImgElement: it comes as it is, from our own server */}
            <img
              src={picturePath(jobId, `${id}${SMALL}`)}
              alt={name}
              loading="lazy"
              className="max-h-32 w-full border border-strong object-cover"
            />
          </a>
          <span>{name}</span>
          <span className="text-soft">{[at.slice(0, 16).replace('T', ' '), by].filter(Boolean).join(' · ')}</span>
          <Button
            look="quiet"
            className="justify-self-start text-soft"
            aria-label={`Take ${name} away`}
            onClick={() => onForget(id)}
          >
            Take away
          </Button>
        </li>
      ))}
    </ul>
  );
}
