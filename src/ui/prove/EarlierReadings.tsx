import { useEffect, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { readSeen } from '@/core/exchange/formats/seenCsv';
import type { KeptFile } from '@/core/exchange/wire/kept';
import type { Gear } from '@/core/job/records/gear';
import { changesBetween, type PortChange } from '@/core/trade/testing/switches/laterReading';
import type { SeenPort } from '@/core/trade/testing/switches/readWalk';
import { Button, FileLink } from '../kit/Button';
import { keptFilePath, keptFilesOf, keptText } from '../kit/keptFiles';
import { nowHere } from '../kit/nowHere';
import { newRowId } from '../kit/useRows';
import { Heading } from '../kit/viewParts';
import { actorHere } from '../session/actor';
import { tryFilesNow } from '../session/fileQueue';
import { useSession } from '../session/session';
import { useFilesOf } from '../session/useFiles';
import { addFile } from '../session/waitingFiles';

export type SeenNow = { text: string; seen: readonly SeenPort[]; simulated: boolean };

const DAY_MS = 86_400_000;

/** Readings of this switch that were kept, and what changed since. */
export function EarlierReadings({ device, now }: { device: Gear; now: SeenNow | null }) {
  const jobId = useSession((session) => session.job.id);
  const [files, setFiles] = useState<KeptFile[] | null>(null);
  const [changes, setChanges] = useState<{ since: string; list: PortChange[] } | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const waiting = useFilesOf(jobId).waiting.filter(({ kind, about }) => kind === 'walk' && about === device.id).length;
  // Read anew when one that waited has gone its way.
  // biome-ignore lint/correctness/useExhaustiveDependencies: how many wait says when
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
  }, [jobId, device.id, waiting]);
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
      const words = `${simulated ? 'simulated ' : ''}${device.name.replace(/[\p{Cc}/\\]/gu, ' ')} ${nowHere().replace(/[:T]/g, ' ')}.txt`;
      const whole = new TextEncoder().encode(text);
      const file = { id: newRowId('walk'), jobId, kind: 'walk' as const, about: device.id, name: words.slice(0, 120) };
      await addFile({ ...file, by: actorHere().name, at: Date.now() }, { whole, small: null, values: [] });
      tryFilesNow();
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
      {waiting > 0 && (
        <p role="status" className="text-[13px]">
          {counted(waiting, 'reading')} kept on this device, waiting to be sent.
        </p>
      )}
      {files.length === 0 && waiting === 0 && (
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
