import { useEffect, useState } from 'react';
import { readSeen } from '@/core/formats/seenCsv';
import type { Gear } from '@/core/records/gear';
import { changesBetween, type PortChange } from '@/core/switching/laterReading';
import type { SeenPort } from '@/core/switching/readWalk';
import type { KeptFile } from '@/core/wire/kept';
import { actorHere } from '../job/actor';
import { useSession } from '../job/session';
import { Button, FileLink } from '../kit/Button';
import { keepFile, keptFilePath, keptFilesOf, keptText, toBase64 } from '../kit/keptFiles';
import { nowHere } from '../kit/nowHere';
import { newRowId } from '../kit/useRows';
import { Heading } from '../kit/viewParts';

export type SeenNow = { text: string; seen: readonly SeenPort[]; simulated: boolean };

const DAY_MS = 86_400_000;

/** Readings of this switch that were kept, and what changed since. */
export function EarlierReadings({ device, now }: { device: Gear; now: SeenNow | null }) {
  const jobId = useSession((session) => session.job.id);
  const [files, setFiles] = useState<KeptFile[] | null>(null);
  const [changes, setChanges] = useState<{ since: string; list: PortChange[] } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  useEffect(() => {
    let current = true;
    setChanges(null);
    keptFilesOf(jobId).then(
      (all) => current && setFiles(all.filter(({ kind, about }) => kind === 'walk' && about === device.id)),
      () => current && setFiles(null),
    );
    return () => {
      current = false;
    };
  }, [jobId, device.id]);
  const work = async (doing: () => Promise<void>) => {
    setWrong(null);
    try {
      await doing();
    } catch (fault) {
      setWrong(fault instanceof Error ? fault.message : 'It could not be done.');
    }
  };
  const keepNow = ({ text, simulated }: SeenNow) =>
    work(async () => {
      const all = await keepFile(jobId, {
        id: newRowId('walk'),
        kind: 'walk',
        about: device.id,
        name: `${simulated ? 'simulated ' : ''}${device.name.replace(/[\p{Cc}/\\]/gu, ' ')} ${nowHere().replace(/[:T]/g, ' ')}.txt`.slice(
          0,
          120,
        ),
        by: actorHere().name,
        base64: toBase64(new TextEncoder().encode(text)),
      });
      setFiles(all.filter(({ kind, about }) => kind === 'walk' && about === device.id));
    });
  const compare = (file: KeptFile, to: SeenNow) =>
    work(async () => {
      const before = readSeen(await keptText(jobId, file.id));
      const days = (Date.now() - new Date(file.at).getTime()) / DAY_MS;
      setChanges({ since: file.at.slice(0, 16).replace('T', ' '), list: changesBetween(before, to.seen, days) });
    });
  if (!files || (files.length === 0 && !now)) return null;
  return (
    <section aria-label="Earlier readings">
      <Heading aside={now && <Button onClick={() => void keepNow(now)}>Keep this reading</Button>}>
        Earlier readings of {device.name}
      </Heading>
      {wrong && (
        <p role="alert" className="font-semibold text-wont">
          {wrong}
        </p>
      )}
      {files.length === 0 && (
        <p className="text-[13px] text-soft">None is kept yet: keep one, and a later one shows what changed.</p>
      )}
      <ul className="text-[13px]">
        {files.slice(0, 20).map((file) => (
          <li key={file.id} className="flex flex-wrap items-center gap-x-3 border-b py-0.5">
            <b>{file.at.slice(0, 16).replace('T', ' ')} UTC</b>
            <span className="min-w-0 flex-1 text-soft">{[file.name, file.by].filter(Boolean).join(' · ')}</span>
            {now && <Button onClick={() => void compare(file, now)}>What changed since</Button>}
            <FileLink look="quiet" href={keptFilePath(jobId, file.id)}>
              The text
            </FileLink>
          </li>
        ))}
      </ul>
      {changes && (
        <div role="status" className="mt-2 text-[13px]">
          <b>Since {changes.since} UTC</b>
          {changes.list.length === 0 ? (
            <p>Nothing changed.</p>
          ) : (
            <ul>
              {changes.list.map(({ port, words, worse }) => (
                <li key={`${port} ${words}`} className={worse ? 'font-semibold text-wont' : ''}>
                  Port {port}: {words}
                </li>
              ))}
            </ul>
          )}
        </div>
      )}
    </section>
  );
}
