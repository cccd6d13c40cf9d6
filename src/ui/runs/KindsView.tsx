'use client';

import { useState } from 'react';
import { FIRE_CLASSES } from '@/core/base/standards/ruleSets';
import { counted } from '@/core/base/text/counted';
import { sameKey } from '@/core/base/text/sameKey';
import { formatSize, lengthToField } from '@/core/base/units/length';
import { CABLE_RATINGS, type CableKind, CONDUCTORS, cableKinds } from '@/core/job/records/cableKind';
import { CARRIES } from '@/core/job/records/run';
import { cableKindsOf } from '@/core/trade/runs/cableKinds';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';

/** Kinds of cable: those that ship with the program, and those of the job. */
export function KindsView() {
  const job = useSession((session) => session.job);
  const { keep } = useRows();
  const [name, setName] = useState<string | null>(null);
  const kinds = cableKindsOf(job);
  const chosen = kinds.find((kind) => sameKey(kind.name) === sameKey(name ?? '')) ?? kinds[0];
  const uses = new Map<string, number>();
  for (const run of Object.values(job.runs)) uses.set(sameKey(run.cable), (uses.get(sameKey(run.cable)) ?? 0) + 1);
  const unknown = [...new Set(Object.values(job.runs).map((run) => run.cable))].filter(
    (cable) => cable !== '' && !kinds.some((kind) => sameKey(kind.name) === sameKey(cable)),
  );
  const own = chosen !== undefined && job.cableKinds[chosen.id] !== undefined;
  const describe = (wanted: string, from: CableKind | undefined) => {
    const plain = { diameterMm: 6, gaugeAwg: 23 };
    const record = cableKinds.make({ ...(from ?? plain), id: newRowId('kind'), name: wanted });
    if (keep({ table: 'cableKinds', record })) setName(wanted);
  };
  const freeName = () => {
    for (let number = 1; ; number++) {
      const wanted = `Own cable ${number}`;
      if (!kinds.some((kind) => kind.name === wanted)) return wanted;
    }
  };
  return (
    <div className="flex min-h-0 flex-1 flex-col overflow-auto lg:flex-row lg:overflow-hidden">
      <div className="min-w-0 flex-1 px-3 py-2 lg:overflow-auto">
        <div className="mb-2 flex flex-wrap items-center gap-2">
          <Button onClick={() => describe(freeName(), undefined)}>+ Kind of cable</Button>
          {unknown.map((cable) => (
            <Button key={cable} look="main" onClick={() => describe(cable, undefined)}>
              Describe {cable}
            </Button>
          ))}
          <p className="text-soft">Diameters that ship with the program are rules of thumb: the data sheet rules.</p>
        </div>
        <table className="narrow w-full text-[13px]">
          <thead>
            <tr className="border-strong border-b text-left">
              <th>Kind</th>
              <th>Carries</th>
              <th className="px-2 text-right">Outside</th>
              <th className="px-2 text-right">AWG</th>
              <th className="px-2">Conductors</th>
              <th className="px-2 text-right">Bend, inside</th>
              <th className="px-2">Rated</th>
              <th className="px-2 text-right">Box</th>
              <th className="px-2 text-right">Runs</th>
            </tr>
          </thead>
          <tbody>
            {kinds.map((kind) => (
              <tr key={kind.id} className={`border-b ${kind === chosen ? 'bg-well' : ''}`}>
                <th scope="row" className="text-left">
                  <button
                    type="button"
                    className="w-full py-0.5 text-left font-semibold underline-offset-2 hover:underline"
                    aria-pressed={kind === chosen}
                    onClick={() => setName(kind.name)}
                  >
                    {kind.name} {job.cableKinds[kind.id] && <span className="font-normal text-soft">of this job</span>}
                  </button>
                </th>
                <td>{kind.carries}</td>
                <td className="px-2 text-right font-mono text-xs">{formatSize(kind.diameterMm, job.units)}</td>
                <td className="px-2 text-right font-mono text-xs">{kind.gaugeAwg ?? ''}</td>
                <td className="px-2">
                  {kind.conductors}
                  {kind.screened ? ', screened' : ''}
                </td>
                <td className="px-2 text-right font-mono text-xs">
                  {formatSize(Math.round(kind.bendFactor * kind.diameterMm), job.units)}
                </td>
                <td className="px-2">{[...kind.ratings, ...(kind.fireClass ? [kind.fireClass] : [])].join(', ')}</td>
                <td className="px-2 text-right font-mono text-xs">
                  {lengthToField(kind.boxMm, job.units)} {job.units === 'metric' ? 'm' : 'ft'}
                </td>
                <td className="px-2 text-right font-mono text-xs">{uses.get(sameKey(kind.name)) ?? ''}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {chosen && (
        <aside
          aria-label="The kind chosen"
          className="shrink-0 border-strong border-t bg-sheet p-3 lg:w-[270px] lg:overflow-auto lg:border-t-0 lg:border-l"
        >
          {own ? (
            <KindForm key={chosen.id} kind={chosen} onRenamed={setName} />
          ) : (
            <div className="grid gap-2">
              <h3 className="wide border-b font-bold">{chosen.name}</h3>
              <p className="text-soft">
                This kind ships with the program. A copy of the same name in this job takes its place, with the figures
                of your data sheet; {counted(uses.get(sameKey(chosen.name)) ?? 0, 'run')} would follow it.
              </p>
              <Button look="main" onClick={() => describe(chosen.name, chosen)}>
                Change it for this job
              </Button>
            </div>
          )}
        </aside>
      )}
    </div>
  );
}

function KindForm({ kind, onRenamed }: { kind: CableKind; onRenamed: (name: string) => void }) {
  const { keep, drop } = useRows();
  const change = (changes: Partial<CableKind>) =>
    keep({ table: 'cableKinds', record: { ...kind, ...changes } }) ? null : 'It could not be taken.';
  const number = (text: string) => (/^\s*\d+([.,]\d+)?\s*$/.test(text) ? Number(text.replace(',', '.')) : Number.NaN);
  const words = (list: readonly string[]) => list.map((value) => ({ value, words: value }));
  return (
    <div className="grid gap-2">
      <h3 className="wide border-b font-bold">Kind of this job</h3>
      <CommitField
        label="Name, as runs call it"
        value={kind.name}
        maxLength={60}
        onCommit={(name) => {
          if (name.trim() === '') return 'Expected a name.';
          const fault = change({ name: name.trim() });
          if (fault === null) onRenamed(name.trim());
          return fault;
        }}
      />
      <div className="grid grid-cols-2 gap-2">
        <CommitSelect
          label="Carries"
          value={kind.carries}
          options={words(CARRIES)}
          onCommit={(carries) => change({ carries: carries as CableKind['carries'] })}
        />
        <CommitSelect
          label="Conductors"
          value={kind.conductors}
          options={words(CONDUCTORS)}
          onCommit={(one) => change({ conductors: one as CableKind['conductors'] })}
        />
        <CommitField
          label="Outside diameter"
          unit="mm"
          inputMode="decimal"
          value={String(kind.diameterMm)}
          onCommit={(text) => {
            const mm = number(text);
            return Number.isNaN(mm) || mm < 0.5 || mm > 60 ? 'Expected 0.5 to 60 mm.' : change({ diameterMm: mm });
          }}
        />
        <CommitField
          label="Gauge"
          unit="AWG"
          inputMode="numeric"
          value={kind.gaugeAwg === null ? '' : String(kind.gaugeAwg)}
          onCommit={(text) => {
            if (text.trim() === '') return change({ gaugeAwg: null });
            const awg = number(text);
            return !Number.isInteger(awg) || awg < 4 || awg > 40 ? 'Expected 4 to 40.' : change({ gaugeAwg: awg });
          }}
        />
        <CommitField
          label="Bend radius"
          unit="× diameter"
          inputMode="decimal"
          value={String(kind.bendFactor)}
          onCommit={(text) => {
            const factor = number(text);
            return Number.isNaN(factor) || factor < 1 || factor > 40
              ? 'Expected 1 to 40.'
              : change({ bendFactor: factor });
          }}
        />
        <LengthField
          label="In a full box"
          mm={kind.boxMm}
          least={1000}
          onCommit={(boxMm) => change({ boxMm }) === null}
        />
      </div>
      <label className="flex items-center gap-2">
        <input type="checkbox" checked={kind.screened} onChange={() => change({ screened: !kind.screened })} />
        Screened
      </label>
      <fieldset>
        <legend className="font-semibold text-[13px]">Rated for</legend>
        {CABLE_RATINGS.map((rating) => (
          <label key={rating} className="flex items-center gap-2">
            <input
              type="checkbox"
              checked={kind.ratings.includes(rating)}
              onChange={() =>
                change({
                  ratings: kind.ratings.includes(rating)
                    ? kind.ratings.filter((one) => one !== rating)
                    : [...kind.ratings, rating],
                })
              }
            />
            {rating}
          </label>
        ))}
      </fieldset>
      <CommitSelect
        label="Reaction to fire, as printed on it"
        value={kind.fireClass ?? ''}
        options={[{ value: '', words: 'not known' }, ...words(FIRE_CLASSES)]}
        onCommit={(one) => change({ fireClass: FIRE_CLASSES.find((known) => known === one) ?? null })}
      />
      <Button onClick={() => drop('cableKinds', kind.id)}>Remove this kind</Button>
    </div>
  );
}
