import { useEffect, useState } from 'react';
import type { ResultValue } from '@/core/exchange/formats/previewResults';
import type { Result } from '@/core/job/records/result';
import type { Run } from '@/core/job/records/run';
import { calibrationMark, type Proof, resultFault } from '@/core/trade/testing/proof';
import { readLimitName, worstMargin } from '@/core/trade/testing/sweep';
import { Button, FileLink } from '../kit/Button';
import { keptFilePath, valuesOf } from '../kit/keptFiles';
import { Photographs } from '../kit/Photographs';
import { StateMark } from '../kit/viewParts';
import { useSession } from '../session/session';
import { FoundBefore } from './FoundBefore';
import { SweepChart } from './SweepChart';

/** Every result of a run, latest first; values by frequency are read when they are looked at. */
export function ResultDetails({ run, proof }: { run: Run; proof: Proof | null }) {
  const results = proof?.results ?? [];
  return (
    <div className="grid gap-2 border-l-4 border-strong py-1 pl-3">
      {results.length === 0 && <p className="text-soft">Not tested.</p>}
      {results.map((result) => (
        <OneResult key={result.id} run={run} result={result} />
      ))}
      <FoundBefore run={run} />
      <Photographs about={run.id} of={`run ${run.label}`} />
    </div>
  );
}

const figure = (value: number | null, unit: string): string => (value === null ? '' : `${value} ${unit}`);

function OneResult({ run, result }: { run: Run; result: Result }) {
  const job = useSession((session) => session.job);
  const [open, setOpen] = useState(false);
  const fault = resultFault(job, run, result);
  const pairs = [result.pair12M, result.pair36M, result.pair45M, result.pair78M];
  const facts = [
    result.map && `wire map ${result.map}`,
    pairs.some((one) => one !== null) && `pairs ${pairs.map((one) => (one === null ? '?' : one)).join(', ')} m`,
    figure(result.delayNs, 'ns delay'),
    figure(result.skewNs, 'ns skew'),
    figure(result.loopOhm, 'ohm loop'),
    figure(result.speedMbps, 'Mb/s'),
    figure(result.volts, 'V'),
    figure(result.watts, 'W'),
    figure(result.lossDb, 'dB loss'),
    figure(result.lengthM, 'm'),
    figure(result.wavelengthNm, 'nm'),
    figure(result.matedPairs, 'mated pairs'),
    figure(result.splices, 'splices'),
    result.limit && `against ${result.limit}`,
    result.marginDb !== null &&
      `worst margin ${result.marginDb} dB${result.marginOf === '' ? '' : ` (${result.marginOf})`}`,
    calibrationMark(job.testers[result.testerId ?? ''], result),
    result.note,
  ].filter(Boolean);
  return (
    <div className="grid gap-1">
      <p className="flex flex-wrap items-baseline gap-x-3">
        <StateMark state={fault === null ? 'passed' : 'failed'} words={fault === null ? 'passed' : 'failed'} />
        <b>{result.at.replace('T', ' ') || 'time not known'}</b>
        <span>
          {[
            result.by,
            job.testers[result.testerId ?? '']?.name ?? 'tester not known',
            result.tells,
            result.end && `from the ${result.end}`,
          ]
            .filter(Boolean)
            .join(' · ')}
        </span>
        <span className="text-soft">{facts.join(' · ')}</span>
        {result.file && (
          <FileLink look="quiet" href={keptFilePath(job.id, result.file)}>
            File of the tester
          </FileLink>
        )}
        {result.tells === 'certified' && (
          <Button look="quiet" aria-expanded={open} onClick={() => setOpen(!open)}>
            Values by frequency
          </Button>
        )}
      </p>
      {open && <Values result={result} />}
    </div>
  );
}

function Values({ result }: { result: Result }) {
  const jobId = useSession((session) => session.job.id);
  const [read, setRead] = useState<ResultValue[] | null>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const [measure, setMeasure] = useState<string | null>(null);
  useEffect(() => {
    valuesOf(jobId, result.id).then(setRead, (fault: unknown) =>
      setWrong(fault instanceof Error ? fault.message : 'They could not be read.'),
    );
  }, [jobId, result.id]);
  if (wrong) return <p className="font-semibold text-wont">{wrong}</p>;
  if (!read) return <p className="text-soft">Reading …</p>;
  if (read.length === 0) return <p className="text-soft">Its tester’s file held none.</p>;
  const measures = [...new Set(read.map((one) => one.measure))];
  const shown = measure ?? measures[0] ?? '';
  const limit = readLimitName(result.limit);
  const worst = worstMargin(
    read.filter((one) => one.measure === shown),
    result.limit,
  );
  return (
    <div className="grid gap-1">
      <div className="flex flex-wrap gap-1">
        {measures.map((one) => (
          <Button
            key={one}
            aria-pressed={one === shown}
            look={one === shown ? 'main' : 'plain'}
            onClick={() => setMeasure(one)}
          >
            {one || 'without a name'}
          </Button>
        ))}
      </div>
      <SweepChart values={read.filter((one) => one.measure === shown)} limit={limit} />
      <p>
        {worst
          ? `Least margin of ${shown}: ${worst.marginDb.toFixed(1)} dB, pair ${worst.at.pair || 'not named'}, at ${worst.at.mhz} MHz.`
          : limit
            ? `This program holds no limit for ${shown || 'it'} there: not judged.`
            : `“${result.limit}” names no limit that this program holds: not judged.`}{' '}
        <span className="text-soft">Limits: ANSI/TIA-568.2, ISO/IEC 11801.</span>
      </p>
    </div>
  );
}
