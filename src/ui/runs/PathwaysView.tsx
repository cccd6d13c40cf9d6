'use client';

import { useMemo, useState } from 'react';
import { pullNewton, pullSource } from '@/core/base/standards/cableHandling';
import { citeFor } from '@/core/base/standards/cite';
import { conduitSizes, conduitSource, conduitsOf, conduitWords } from '@/core/base/standards/conduits';
import { separationSource } from '@/core/base/standards/mainsSeparation';
import { conduitRulesSource, roundUpSource, stackingSource, supportSource } from '@/core/base/standards/pathwayRules';
import { ruleSets } from '@/core/base/standards/ruleSets';
import { pullingSource } from '@/core/base/standards/slack';
import { counted } from '@/core/base/text/counted';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { formatLength, formatSize, parseSize, sizeToField, sizeUnit, type Units } from '@/core/base/units/length';
import { percent } from '@/core/base/units/percent';
import {
  CONTAINMENT_WORDS,
  CONTAINMENTS,
  PATHWAY_KINDS,
  type Pathway,
  pathways,
  SURROUNDINGS,
} from '@/core/job/records/pathway';
import { conduitCount, insideAreaMm2 } from '@/core/trade/runs/pathways/fill';
import { type PathwayFigures, pathwayFigures } from '@/core/trade/runs/pathways/pathwayFigures';
import { type PathwayFigureName, pathwayReckonings } from '@/core/trade/runs/pathways/pathwayReckonings';
import { BundleSection } from '../drawing/BundleSection';
import { Why } from '../handbook/Why';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { RunPicker } from './RunPicker';

/** Pathways with the runs through them: fill, bundle, bends, hooks, ties, strings and the distance to mains. */
export function PathwaysView() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const [id, setId] = useState<string | null>(null);
  const all = Object.values(job.pathways).sort((a, b) => naturalOrder(a.name, b.name));
  const pathway = all.find((one) => one.id === id) ?? all[0];
  const figures = useMemo(() => all.map((one) => pathwayFigures(job, one)), [job, all]);
  const add = () => {
    let number = all.length + 1;
    while (all.some((one) => one.name === `Conduit ${number}`)) number += 1;
    const [, usual] = conduitsOf(job.rules);
    const record = pathways.make({
      id: newRowId('pathway'),
      name: `Conduit ${number}`,
      kind: 'conduit',
      widthMm: usual?.insideMm ?? 25,
      lengthMm: 10_000,
      pullString: true,
    });
    if (keep({ table: 'pathways', record })) setId(record.id);
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto lg:flex-row lg:overflow-hidden">
      <div className="shrink-0 border-strong border-b p-2 lg:w-[185px] lg:overflow-auto lg:border-r lg:border-b-0">
        <Button look={all.length === 0 ? 'main' : 'plain'} onClick={add}>
          + Pathway
        </Button>
        {all.length === 0 && (
          <p className="mt-2 text-soft">
            Conduit, trunking, tray, hooks or a hole: describe it once, say which runs go through, and see whether they
            fit.
          </p>
        )}
        <ul className="mt-2">
          {figures.map(({ pathway: one, runs, fill, allowance, fits }) => (
            <li key={one.id}>
              <button
                type="button"
                aria-pressed={one.id === pathway?.id}
                className={`w-full border-b px-2 py-1 text-left hover:bg-well ${one.id === pathway?.id ? 'bg-well' : ''}`}
                onClick={() => setId(one.id)}
              >
                <span className="block truncate font-semibold">{one.name}</span>
                <span
                  className={`narrow text-xs ${fill > allowance.share || !fits ? 'font-bold text-wont' : 'text-soft'}`}
                >
                  {counted(runs.length, 'run')}
                  {one.kind !== 'hooks' && one.kind !== 'hole' && `, ${percent(fill)} of ${percent(allowance.share)}`}
                </span>
              </button>
            </li>
          ))}
        </ul>
      </div>
      {pathway && (
        <PathwayPage key={pathway.id} pathway={pathway} figures={figures.find((one) => one.pathway === pathway)} />
      )}
    </div>
  );
}

function PathwayPage({ pathway, figures }: { pathway: Pathway; figures: PathwayFigures | undefined }) {
  return (
    <div className="grid min-w-0 flex-1 content-start gap-4 p-3 lg:overflow-auto xl:grid-cols-[290px_minmax(0,1fr)]">
      <Measures pathway={pathway} />
      {figures && <Figures figures={figures} />}
      <RunsThrough pathway={pathway} figures={figures} />
    </div>
  );
}

/** Which runs go through it. */
function RunsThrough({ pathway, figures }: { pathway: Pathway; figures: PathwayFigures | undefined }) {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const through = new Set(figures?.runs.map((run) => run.id));
  const setThrough = (ids: ReadonlySet<string>) => {
    const gone = Object.values(job.passages).filter((row) => row.pathwayId === pathway.id && !ids.has(row.runId));
    const added = [...ids].filter((id) => !through.has(id));
    dispatch([
      ...(gone.length > 0
        ? [{ type: 'dropRows' as const, table: 'passages' as const, ids: gone.map((row) => row.id) }]
        : []),
      ...(added.length > 0
        ? [
            {
              type: 'keepRows' as const,
              rows: added.map((runId) => ({
                table: 'passages' as const,
                record: { id: newRowId('passage'), pathwayId: pathway.id, runId },
              })),
            },
          ]
        : []),
    ]);
  };
  return (
    <section aria-label="Runs through it" className="xl:col-span-2">
      <h3 className="wide mb-1 border-strong border-b font-bold">Runs through it</h3>
      <RunPicker key={pathway.id} chosen={through} onChange={setThrough} />
    </section>
  );
}

/** Millimetres of a typed size; whole ones but for inside measures, which are published to the tenth. Null: it is none. */
function readMeasure(text: string, units: Units, toTheTenth: boolean): number | null {
  const mm = parseSize(text, units);
  return mm !== null && toTheTenth && units === 'metric' && /^\s*[\d.,]+\s*$/.test(text)
    ? Number(text.replace(',', '.'))
    : mm;
}

/** What it is, and its measures. */
function Measures({ pathway }: { pathway: Pathway }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const change = (changes: Partial<Pathway>) =>
    keep({ table: 'pathways', record: { ...pathway, ...changes } }) ? null : 'It could not be taken: see the message.';
  const size = (
    field: 'widthMm' | 'heightMm' | 'spacingMm' | 'mainsMm' | 'bendRadiusMm',
    label: string,
    help?: string,
  ) => (
    <CommitField
      label={label}
      unit={sizeUnit(job.units)}
      inputMode="decimal"
      value={pathway[field] === null ? '' : sizeToField(pathway[field], job.units)}
      {...(help ? { help } : {})}
      onCommit={(text) => {
        if (text.trim() === '' && field !== 'widthMm') return change({ [field]: null });
        const mm = readMeasure(text, job.units, field === 'widthMm' || field === 'heightMm');
        return mm === null ? 'Expected a size, such as 26.6.' : change({ [field]: mm });
      }}
    />
  );
  const whole = (field: 'bends' | 'pullPoints' | 'mainsCircuits', label: string) => (
    <CommitField
      label={label}
      inputMode="numeric"
      value={String(pathway[field])}
      onCommit={(text) => {
        const count = Number(text);
        return text.trim() === '' || !Number.isInteger(count) || count < 0
          ? 'Expected a whole number.'
          : change({ [field]: count });
      }}
    />
  );
  const words = (list: readonly string[]) => list.map((value) => ({ value, words: value }));
  const published = conduitSizes.find((one) => one.insideMm === pathway.widthMm);
  // What is there already is offered too, of whatever region it is.
  const sizes = [...new Set([...conduitsOf(job.rules), ...(published ? [published] : [])])];
  const round = pathway.kind === 'conduit' || pathway.kind === 'hole';
  return (
    <section aria-label={`Measures of ${pathway.name}`} className="grid content-start gap-2">
      <CommitField
        label="Name"
        value={pathway.name}
        maxLength={60}
        onCommit={(name) => (name.trim() === '' ? 'Expected a name.' : change({ name: name.trim() }))}
      />
      <div className="grid grid-cols-2 gap-2">
        <CommitSelect
          label="Kind"
          value={pathway.kind}
          options={words(PATHWAY_KINDS)}
          onCommit={(kind) => {
            const open = kind === 'trunking' || kind === 'tray';
            change({ kind: kind as Pathway['kind'], heightMm: open ? (pathway.heightMm ?? 50) : null });
          }}
        />
        <CommitSelect
          label="Runs"
          value={pathway.surroundings}
          options={words(SURROUNDINGS)}
          onCommit={(value) => change({ surroundings: value as Pathway['surroundings'] })}
        />
        {pathway.kind === 'conduit' && (
          <CommitSelect
            label="Published size"
            value={published ? conduitWords(published) : ''}
            options={[
              { value: '', words: 'own measure' },
              ...sizes.map((one) => ({ value: conduitWords(one), words: conduitWords(one) })),
            ]}
            onCommit={(value) => {
              const chosen = sizes.find((one) => conduitWords(one) === value);
              if (chosen) change({ widthMm: chosen.insideMm });
            }}
          />
        )}
        {size('widthMm', round || pathway.kind === 'hooks' ? 'Inside diameter' : 'Inside width')}
        {!round && pathway.kind !== 'hooks' && size('heightMm', 'Inside height')}
        <LengthField
          label="Length"
          mm={pathway.lengthMm}
          least={1}
          onCommit={(lengthMm) => change({ lengthMm }) === null}
        />
        {pathway.kind !== 'conduit' &&
          pathway.kind !== 'hooks' &&
          pathway.kind !== 'hole' &&
          whole('bends', 'Bends of 90°')}
        {pathway.kind === 'conduit' && (
          <>
            {whole('bends', 'Bends of 90°')}
            {whole('pullPoints', 'Pull points on the way')}
          </>
        )}
        {pathway.kind !== 'hole' &&
          size(
            'bendRadiusMm',
            pathway.kind === 'hooks' ? 'Bend over a hook' : 'Inside bend radius',
            'Empty: not measured.',
          )}
        {pathway.kind === 'hooks' && size('spacingMm', 'Hooks every', 'Empty: 1.5 m, the most.')}
        {size('mainsMm', 'Distance to mains', 'Empty: none seen.')}
        {pathway.mainsMm !== null && (
          <>
            {whole('mainsCircuits', 'Mains circuits there')}
            <CommitSelect
              label="Between them"
              value={pathway.containment}
              options={CONTAINMENTS.map((value) => ({ value, words: CONTAINMENT_WORDS[value] }))}
              onCommit={(value) => change({ containment: value as Pathway['containment'] })}
            />
          </>
        )}
        <CommitField
          label="Kept free for"
          value={pathway.reservedFor}
          maxLength={80}
          help="Empty: for these runs."
          onCommit={(text) => change({ reservedFor: text.trim() })}
        />
      </div>
      <label className="flex items-center gap-2">
        <input
          type="checkbox"
          checked={pathway.pullString}
          onChange={() => change({ pullString: !pathway.pullString })}
        />
        A pull string is left in it
      </label>
      <div>
        <Button onClick={() => drop('pathways', pathway.id)}>Remove the pathway</Button>
      </div>
    </section>
  );
}

/** Which of the figures each line is. */
const RECKONED: Record<string, PathwayFigureName> = {
  Filled: 'fill',
  Bundle: 'bundle',
  'Bends, inside radius': 'bend',
  'Pull points needed': 'pullPoints',
  Hooks: 'hooks',
  Ties: 'ties',
  'Cables stacked, at most': 'stacking',
  'Distance to mains asked for': 'separation',
};

function Figures({ figures }: { figures: PathwayFigures }) {
  const units = useSession((session) => session.job.units);
  const fillBy = useSession((session) => ruleSets[session.job.rules].conduitFill);
  const { pathway, bundle, diametersMm, fill, allowance, next, unknown } = figures;
  const show = (mm: number) => formatSize(Math.round(mm * 10) / 10, units);
  const rows: [string, string, string?][] = [];
  const job = useSession((session) => session.job);
  const reckonings = pathwayReckonings(job, figures);
  const conduit = pathway.kind === 'conduit';
  if (pathway.kind !== 'hooks' && pathway.kind !== 'hole')
    rows.push([
      'Filled',
      `${percent(fill)}, at most ${percent(allowance.share)}`,
      citeFor(allowance.source, job.rules),
    ]);
  rows.push([
    'Bundle',
    diametersMm.length === 0
      ? 'no cables'
      : `${show(bundle.diameterMm)} at the tightest${bundle.proven ? ', proven' : ''}, about ${show(bundle.dressedMm)} as dressed`,
    {
      'published ratio': citeFor(bundle.source, job.rules),
      search: 'found by search, not proven the smallest',
      area: 'by area, three quarters filled: rule of thumb',
    }[bundle.how],
  ]);
  if (next)
    rows.push([
      'Smallest size that takes them',
      `${conduitWords(next)}, ${show(next.insideMm)} inside`,
      citeFor(conduitSource[next.family], job.rules),
    ]);
  const widestMm = Math.max(0, ...diametersMm);
  if (conduit && widestMm > 0) {
    const { floor, roundedUp } = conduitCount(insideAreaMm2(pathway), widestMm, fillBy);
    const more = roundedUp > floor ? `, ${roundedUp} with the fraction rounded up` : '';
    rows.push([
      `Takes of ${widestMm} mm cables`,
      `${floor}${more}`,
      citeFor(more ? roundUpSource : allowance.source, job.rules),
    ]);
  }
  if (diametersMm.length > 0)
    rows.push(['Bends, inside radius', `${show(figures.bendMm)} or more`, citeFor(conduitRulesSource, job.rules)]);
  if (figures.runs.some((run) => run.carries === 'ethernet'))
    rows.push(['Pull on each cable', `${pullNewton} N at most`, citeFor(pullSource, job.rules)]);
  if (conduit) {
    rows.push(['Pull points needed', String(figures.pullPointsNeeded), citeFor(conduitRulesSource, job.rules)]);
    rows.push([
      'Fish tape',
      figures.fishTapeMm === null ? 'longer than any common one' : formatLength(figures.fishTapeMm, units),
      citeFor(pullingSource, job.rules),
    ]);
  } else rows.push(['Ties', String(figures.ties)]);
  if (figures.hooks !== null) rows.push(['Hooks', String(figures.hooks), citeFor(supportSource, job.rules)]);
  if (figures.stackingMm !== null)
    rows.push(['Cables stacked, at most', show(figures.stackingMm), citeFor(stackingSource, job.rules)]);
  rows.push(['Pull string', `${formatLength(figures.stringMm, units)}${pathway.pullString ? ', left in it' : ''}`]);
  rows.push([
    'Distance to mains asked for',
    `${show(figures.separationMm)}${pathway.mainsMm === null ? '' : `, ${show(pathway.mainsMm)} there`}`,
    citeFor(separationSource, job.rules),
  ]);
  return (
    <section aria-label="Figures" className="grid content-start gap-2">
      <div className="flex flex-wrap gap-4">
        <BundleSection figures={figures} />
        <dl className="min-w-52 flex-1 text-[13px]">
          {rows.map(([name, value, source]) => (
            <div key={name} className="border-b py-0.5">
              <dt className="text-soft">{name}</dt>
              <dd className="font-semibold">
                {value}
                <Why of={name} reckoning={RECKONED[name] && reckonings[RECKONED[name]]} />
                {source && <span className="narrow block font-normal text-soft text-xs">{source}</span>}
              </dd>
            </div>
          ))}
        </dl>
      </div>
      {unknown.length > 0 && (
        <p className="font-semibold text-bite">
          {unknown.map((run) => run.label).join(', ')}: a kind of cable that is not described, so not counted.
        </p>
      )}
    </section>
  );
}
