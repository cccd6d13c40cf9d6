import { useCallback, useEffect, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { HistoryAnswer } from '@/core/exchange/wire/wire';
import { STATION_LIST } from '@/core/findings/stations/stations';
import { changeLine } from '@/core/job/document/changeWords';
import { actorWords, type Step } from '@/core/job/document/step';
import { tablesThat } from '@/core/job/document/tables';
import type { StationId } from '@/core/job/records/stationIds';
import { Button } from '../kit/Button';
import { CommitSelect } from '../kit/CommitField';
import { formatMoment } from '../kit/dates';
import { useActor } from '../session/actor';
import { useSession } from '../session/session';
import { askServer } from '../session/wireClient';

type Filter = { who: string; station: string; record: string };

const LINES = 12;

/** Steps of the job, latest first, filtered by person, station and record. */
export function ChangesList({ station }: { station: StationId }) {
  const job = useSession((session) => session.job);
  const revision = useSession((session) => session.confirmed.point.revision);
  const selected = useSession((session) => session.selectedRunId);
  const me = useActor();
  const [filter, setFilter] = useState<Filter>({ who: '', station: '', record: '' });
  const [pages, setPages] = useState<HistoryAnswer[]>([]);
  const [fault, setFault] = useState<string | null>(null);
  const jobId = job.id;

  const fetchPage = useCallback(
    async (before: number | null): Promise<HistoryAnswer> => {
      const words = new URLSearchParams();
      if (filter.who) words.set('of', filter.who);
      if (filter.station)
        words.set('tables', tablesThat(({ stations }) => stations.includes(filter.station as StationId)).join(','));
      if (filter.record) {
        words.set('table', 'runs');
        words.set('id', filter.record);
      }
      if (before !== null) words.set('before', String(before));
      return askServer(`/api/jobs/${jobId}/history?${words}`, HistoryAnswer);
    },
    [filter, jobId],
  );
  // biome-ignore lint/correctness/useExhaustiveDependencies: a new revision is one more step to list
  useEffect(() => {
    let here = true;
    setFault(null);
    fetchPage(null).then(
      (page) => here && setPages([page]),
      (wrong: Error) => here && setFault(wrong.message),
    );
    return () => {
      here = false;
    };
  }, [fetchPage, revision]);

  const last = pages.at(-1);
  const steps = pages.flatMap((page) => page.steps);
  const more = async () => {
    try {
      const page = await fetchPage(steps.at(-1)?.revision ?? null);
      setPages([...pages, page]);
    } catch (wrong) {
      setFault((wrong as Error).message);
    }
  };
  const run = job.runs[selected ?? ''];
  const people = last?.actors ?? [];
  return (
    <>
      <div className="mb-3 grid gap-3 sm:grid-cols-3">
        <CommitSelect
          label="By"
          value={filter.who}
          options={[
            { value: '', words: 'everybody' },
            ...people.map(({ id, name }) => ({
              value: id || 'anybody',
              words:
                id === me.id
                  ? `me${name ? ` (${name})` : ''}`
                  : id === ''
                    ? 'before it was recorded'
                    : actorWords({ name }),
            })),
          ]}
          onCommit={(who) => setFilter({ ...filter, who })}
        />
        <CommitSelect
          label="At"
          value={filter.station}
          options={[
            { value: '', words: 'every station' },
            ...STATION_LIST.map(({ id, name }) => ({ value: id, words: id === station ? `${name} (here)` : name })),
          ]}
          onCommit={(value) => setFilter({ ...filter, station: value })}
        />
        <CommitSelect
          label="Of"
          value={filter.record}
          options={[
            { value: '', words: 'everything' },
            ...(run ? [{ value: run.id, words: `run ${run.label}, which is selected` }] : []),
          ]}
          help={run ? '' : 'Select a run first to see what was done to it.'}
          onCommit={(record) => setFilter({ ...filter, record })}
        />
      </div>
      {fault && <p className="font-semibold text-wont">{fault}</p>}
      {!fault && last && steps.length === 0 && <p className="text-soft">Nothing was done that fits.</p>}
      <ol>
        {steps.map((step) => (
          <StepItem key={step.revision} step={step} mine={step.actor.id === me.id} />
        ))}
      </ol>
      {last?.more && (
        <Button className="mt-3" onClick={() => void more()}>
          Earlier ones
        </Button>
      )}
    </>
  );
}

function StepItem({ step, mine }: { step: Step; mine: boolean }) {
  const job = useSession((session) => session.job);
  const [shown, setShown] = useState(false);
  const at = formatMoment(step.at, job.rules);
  const rest = step.changes.length - LINES;
  return (
    <li className="border-b py-1.5">
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span className="w-10 shrink-0 text-right font-mono text-soft text-xs">{step.revision}</span>
        <span className="min-w-0 flex-1 basis-[calc(100%-4rem)] break-words font-semibold sm:basis-0">
          {step.label}
        </span>
        <span className="flex flex-wrap items-baseline gap-x-3 max-sm:pl-13">
          <span className="text-xs">
            {mine ? 'me' : step.actor.id === '' ? 'not recorded' : actorWords(step.actor)}
          </span>
          <time className="text-soft text-xs" dateTime={step.at}>
            {at}
          </time>
          <Button
            look="quiet"
            className="min-h-6 py-0 text-xs"
            aria-expanded={shown}
            onClick={() => setShown(!shown)}
            disabled={step.changes.length === 0}
          >
            {counted(step.changes.length, 'change')}
          </Button>
          <a className="text-xs underline" href={`/jobs/${job.id}/at/${step.revision}/runs`}>
            look at it
          </a>
        </span>
      </div>
      {shown && (
        <ul className="mt-1 ml-12 list-disc text-[13px]">
          {step.changes.slice(0, LINES).map((change) => {
            const line = changeLine(job, change);
            return (
              <li key={line} className="break-words">
                {line}
              </li>
            );
          })}
          {rest > 0 && <li className="text-soft">and {rest} more</li>}
        </ul>
      )}
    </li>
  );
}
