import { Camera } from 'lucide-react';
import { useCallback, useEffect, useState } from 'react';
import { type KeptFile, SMALL } from '@/core/wire/kept';
import { actorHere } from '../job/actor';
import { useSession } from '../job/session';
import { Button } from './Button';
import { forgetFile, keepFile, keptFilesOf, picturePath, toBase64 } from './keptFiles';
import { smallPicture } from './smallPicture';
import { newRowId } from './useRows';

/** Photographs, latest first, each with what it is of; null until they were read. */
export function usePhotographs(about: string | null): {
  photographs: KeptFile[] | null;
  fault: string | null;
  work: (doing: () => Promise<KeptFile[]>) => Promise<void>;
} {
  const jobId = useSession((session) => session.job.id);
  const [files, setFiles] = useState<KeptFile[] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const work = useCallback(async (doing: () => Promise<KeptFile[]>) => {
    try {
      setFiles(await doing());
      setFault(null);
    } catch (wrong) {
      setFault(wrong instanceof Error ? wrong.message : 'It could not be done.');
    }
  }, []);
  useEffect(() => {
    void work(() => keptFilesOf(jobId));
  }, [jobId, work]);
  const photographs =
    files?.filter(
      (file) => file.kind === 'photo' && !file.id.endsWith(SMALL) && (about === null || file.about === about),
    ) ?? null;
  return { photographs, fault, work };
}

/**
 * Photographs of one thing, and a way to take one more.
 * @param about id of what they are of: a run, a device, a step
 * @param of what it is called
 */
export function Photographs({ about, of }: { about: string; of: string }) {
  const jobId = useSession((session) => session.job.id);
  const { photographs, fault, work } = usePhotographs(about);
  const [busy, setBusy] = useState(false);
  const take = async (file: File) => {
    setBusy(true);
    await work(async () => {
      const id = newRowId('photo');
      const common = {
        kind: 'photo' as const,
        about,
        name: `${of} ${new Date().toISOString().slice(0, 10)}`.replace(/[\p{Cc}/\\]/gu, ' ').slice(0, 120),
        by: actorHere().name,
      };
      let pictures: [Uint8Array, Uint8Array];
      try {
        pictures = [await smallPicture(file, 'whole'), await smallPicture(file, 'small')];
      } catch {
        throw new Error('The browser cannot read this picture.');
      }
      await keepFile(jobId, { ...common, id, base64: toBase64(pictures[0]) });
      return keepFile(jobId, { ...common, id: `${id}${SMALL}`, base64: toBase64(pictures[1]) });
    });
    setBusy(false);
  };
  return (
    <section aria-label={`Photographs of ${of}`} className="grid gap-2">
      <div className="flex flex-wrap items-center gap-2">
        <label className="inline-flex min-h-8 cursor-pointer items-center gap-1.5 rounded-[3px] border border-strong bg-sheet px-2.5 py-1 font-semibold focus-within:outline-2">
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
              if (file) void take(file);
            }}
          />
        </label>
        {photographs && photographs.length > 0 && (
          <span className="text-[13px] text-soft">{photographs.length} kept, without place data</span>
        )}
      </div>
      {fault && (
        <p role="alert" className="font-semibold text-wont">
          {fault}
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
