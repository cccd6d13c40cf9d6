'use client';

import {
  bundleFreeAmps,
  bundleRise,
  bundleRiseSource,
  bundleSource,
  remotePoweringSource,
} from '@/core/base/standards/bundleAmpacity';
import { citeFor } from '@/core/base/standards/cite';
import { counted } from '@/core/base/text/counted';
import { formatLength } from '@/core/base/units/length';
import { pathwayHeats } from '@/core/trade/runs/pathways/cableHeat';
import { AnswerField } from '../kit/AnswerField';
import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { Heading, round, Scroll, StateMark } from '../kit/viewParts';
import { useSession } from '../session/session';

/** What power over the cables does to the bundles in each pathway. */
export function BundlesView() {
  const job = useSession((session) => session.job);
  const { base } = useJobPath();
  const rows = pathwayHeats(job);
  return (
    <Scroll label="Cable heat">
      <AnswerField id="route-c" className="max-w-80" />
      <section aria-label="Bundles">
        <Heading>Powered cables in each pathway</Heading>
        {rows.length === 0 ? (
          <p className="mt-1 max-w-[70ch]">
            No pathway holds a powered cable yet. Which run goes through which pathway is said at{' '}
            <JobLink className="underline" href={`${base}/runs/pathways`}>
              Pathways
            </JobLink>
            ; here each bundle is then judged by the current in its conductors.
          </p>
        ) : (
          <ul>
            {rows.map((row) => {
              const warm = row.cableC !== null && row.cableC > row.ratedC;
              const over = row.asked && row.allowedA !== null && row.amps > row.allowedA;
              const state = warm || over ? 'too warm' : row.riseK === null ? 'not judged' : 'enough';
              return (
                <li
                  key={row.pathway.id}
                  className="grid gap-x-4 border-b py-1.5 text-[13px] sm:grid-cols-[minmax(0,1.2fr)_repeat(4,minmax(0,1fr))_auto]"
                >
                  <b>
                    {row.pathway.name}
                    <span className="block font-normal text-soft">
                      {counted(row.powered, 'powered cable')} of {row.cables}, {row.awg} AWG
                    </span>
                  </b>
                  <Cell name="In a conductor">
                    {round(row.amps, 3)} A · {row.remote}
                  </Cell>
                  <Cell name="The table allows">
                    {row.allowedA === null ? 'not in the table' : `${row.allowedA} A`}
                    {!row.asked && ` (not asked up to ${bundleFreeAmps} A)`}
                  </Cell>
                  <Cell name="Warms up by about">
                    {row.riseK === null ? 'not known' : `${round(row.riseK, 1)} K to ${round(row.cableC ?? 0)} °C`}
                    {row.riseK !== null && row.riseK > bundleRise.mostK && ', over the advice of 15 K'}
                  </Cell>
                  <Cell name="Longest link there">
                    {row.linkMm === null ? 'not known' : formatLength(row.linkMm, job.units)}
                  </Cell>
                  <span>
                    <StateMark state={state} />
                    {row.split !== null && <b className="block">split into {row.split} bundles, apart</b>}
                  </span>
                </li>
              );
            })}
          </ul>
        )}
      </section>
      <p className="narrow text-soft text-xs">
        Table: {citeFor(bundleSource, job.rules)}. Advice: {citeFor(bundleRiseSource, job.rules)}. Classes:{' '}
        {citeFor(remotePoweringSource, job.rules)}. The rise is reckoned from what the table allows, by the square of
        the current; local code decides.
      </p>
    </Scroll>
  );
}

const Cell = ({ name, children }: { name: string; children: React.ReactNode }) => (
  <span>
    <span className="narrow block text-soft text-xs">{name}</span>
    <span className="font-mono text-xs">{children}</span>
  </span>
);
