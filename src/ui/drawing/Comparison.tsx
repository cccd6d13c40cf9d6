import { useEffect, useMemo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { JobAtAnswer } from '@/core/exchange/wire/wire';
import {
  type Comparison as Compared,
  compareJobs,
  type Fate,
  type StrandDifference,
} from '@/core/findings/wiring/compareJobs';
import type { Job } from '@/core/job/document/job';
import { sealJob } from '@/core/job/document/sealJob';
import { askServer } from '../session/wireClient';
import { CabinetDrawing } from './CabinetDrawing';

/** Told apart by letter and by stroke as well as colour. */
export const FATES: Record<Fate, { letter: string; words: string; ink: string; dash: string }> = {
  came: { letter: '+', words: 'came', ink: 'var(--good)', dash: '' },
  gone: { letter: '−', words: 'went', ink: 'var(--wont)', dash: '14 8' },
  moved: { letter: '→', words: 'moved', ink: 'var(--net-blue)', dash: '' },
  changed: { letter: '~', words: 'changed', ink: 'var(--bite)', dash: '4 6' },
};

const LINES = 40;

/** Two versions of a job, held against each other: in words, in the cabinet, and in the loom. */
export function Comparison({ jobId, from, to }: { jobId: string; from: number; to: number }) {
  const [jobs, setJobs] = useState<[Job, Job] | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  useEffect(() => {
    let here = true;
    const at = async (revision: number) =>
      sealJob((await askServer(`/api/jobs/${jobId}/at/${revision}`, JobAtAnswer)).job);
    Promise.all([at(from), at(to)]).then(
      (both) => here && setJobs(both),
      (wrong: Error) => here && setFault(wrong.message),
    );
    return () => {
      here = false;
    };
  }, [jobId, from, to]);
  const compared = useMemo(() => jobs && compareJobs(...jobs), [jobs]);
  if (fault) return <p className="mt-3 font-semibold text-wont">{fault}</p>;
  if (!jobs || !compared) return <p className="mt-3 text-soft">Reading both …</p>;
  if (compared.tables.length === 0) return <p className="mt-3">There is no difference.</p>;
  return (
    <div className="mt-4 grid gap-6 lg:grid-cols-[minmax(0,1.1fr)_minmax(0,1fr)]">
      <Words compared={compared} />
      <div className="grid content-start gap-5">
        <Cabinets jobs={jobs} gear={compared.gear} />
        <Strands strands={compared.strands} />
      </div>
    </div>
  );
}

function Words({ compared }: { compared: Compared }) {
  return (
    <section aria-label="In words">
      {compared.tables.map(({ table, title, lines }) => (
        <div key={table ?? 'job'} className="mb-3">
          <h4 className="border-b font-bold">
            {title} <span className="font-normal text-soft">{counted(lines.length, 'difference')}</span>
          </h4>
          <ul className="list-disc pl-5 text-[13px]">
            {lines.slice(0, LINES).map((line) => (
              <li key={line} className="break-words">
                {line}
              </li>
            ))}
            {lines.length > LINES && <li className="text-soft">and {lines.length - LINES} more</li>}
          </ul>
        </div>
      ))}
    </section>
  );
}

function Cabinets({ jobs, gear }: { jobs: [Job, Job]; gear: Compared['gear'] }) {
  if (gear.size === 0) return null;
  return (
    <section aria-label="In the cabinet">
      <h4 className="border-b font-bold">Cabinet</h4>
      <div className="mt-2 flex gap-4">
        {jobs.map((job, at) => (
          <figure key={at === 0 ? 'before' : 'after'} className="min-w-0 flex-1">
            <figcaption className="text-soft text-xs">{at === 0 ? 'From' : 'To'}</figcaption>
            <CabinetDrawing
              job={job}
              className="h-64 w-full"
              markOf={(id) => {
                const fate = gear.get(id);
                return fate ? FATES[fate] : null;
              }}
            />
          </figure>
        ))}
      </div>
      <p className="mt-1 flex flex-wrap gap-x-3 text-xs">
        {Object.values(FATES).map(({ letter, words, ink }) => (
          <span key={words} style={{ color: ink }}>
            <b className="font-mono">{letter}</b> {words}
          </span>
        ))}
      </p>
    </section>
  );
}

const ROW = 22;
const [LABEL_X, PANEL_X, DEVICE_X] = [4, 120, 320];

/** Strands whose ends differ: dashed as they were, drawn through as they are. */
function Strands({ strands }: { strands: readonly StrandDifference[] }) {
  if (strands.length === 0) return null;
  const shown = strands.slice(0, LINES);
  return (
    <section aria-label="In the loom">
      <h4 className="border-b font-bold">
        Loom <span className="font-normal text-soft">{counted(strands.length, 'strand')}</span>
      </h4>
      <svg viewBox={`0 0 520 ${shown.length * ROW * 2 + 6}`} className="mt-2 w-full" role="img" aria-label="Strands">
        {shown.map((strand, at) => (
          <Strand key={strand.runId} strand={strand} y={at * ROW * 2 + 4} />
        ))}
      </svg>
      {strands.length > LINES && <p className="text-soft text-xs">and {strands.length - LINES} more</p>}
    </section>
  );
}

function Strand({ strand: { label, fate, was, is }, y }: { strand: StrandDifference; y: number }) {
  const mark = FATES[fate];
  const line = (ends: StrandDifference['is'], level: number, old: boolean) => {
    if (!ends) return null;
    const at = y + level * ROW + ROW / 2;
    return (
      <g opacity={old ? 0.85 : 1}>
        <path
          d={`M${LABEL_X + 70} ${y + ROW} C${PANEL_X - 20} ${y + ROW} ${PANEL_X - 30} ${at} ${PANEL_X - 4} ${at}`}
          fill="none"
          stroke={ends.panel ? mark.ink : 'var(--rule)'}
          strokeWidth={2}
          strokeDasharray={old ? '5 4' : ''}
        />
        <text x={PANEL_X} y={at + 4} fontSize={12} className="narrow" fill="var(--ink)">
          {ends.panel ?? 'not landed'}
        </text>
        <text x={DEVICE_X} y={at + 4} fontSize={12} className="narrow" fill="var(--ink)">
          {ends.device ?? 'not patched'}
        </text>
      </g>
    );
  };
  return (
    <g>
      <text x={LABEL_X} y={y + ROW + 4} fontSize={13} fontWeight={700} fill={mark.ink} className="font-mono">
        {mark.letter} {label}
      </text>
      {line(was, 0, true)}
      {line(is, was ? 1 : 0, false)}
    </g>
  );
}
