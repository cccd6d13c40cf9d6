'use client';

import { Trash2 } from 'lucide-react';
import { breakerSource, CURVES, residualSource } from '@/core/base/standards/breakers';
import { citeFor } from '@/core/base/standards/cite';
import { dropSource, MAINS_WIRES, mainsWires } from '@/core/base/standards/mainsWire';
import { OUTLET_KINDS, outlets } from '@/core/base/standards/outlets';
import { ruleSets } from '@/core/base/standards/ruleSets';
import { counted } from '@/core/base/text/counted';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { formatWatts } from '@/core/base/units/power';
import { type Circuit, circuits } from '@/core/job/records/circuit';
import { type WallOutlet, wallOutlets } from '@/core/job/records/wallOutlet';
import type { CircuitFacts } from '@/core/trade/power/circuitFacts';
import { figureOf, isAnswered } from '@/core/trade/survey/answers/answers';
import { moneyOf } from '@/core/trade/survey/answers/money';
import { AnswerField } from '../kit/AnswerField';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { NumberField } from '../kit/NumberField';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Heading, NotKnown, round, Scroll, StateMark } from '../kit/viewParts';
import { useSession } from '../session/session';
import { LoadChart } from './LoadChart';
import { usePower } from './usePower';

const UNKNOWN = { value: '', words: 'not known' };

/** Circuits and wall outlets, and what they carry. */
export function CircuitsView() {
  const { job, report } = usePower();
  const { keep } = useRows();
  const rows = [...report.circuits].sort((a, b) => naturalOrder(a.circuit.name, b.circuit.name));
  const free = (stem: string, names: readonly string[]) => {
    for (let at = 1; ; at++) if (!names.includes(`${stem} ${at}`)) return `${stem} ${at}`;
  };
  const addCircuit = () =>
    keep({
      table: 'circuits',
      record: circuits.make({
        id: newRowId('circuit'),
        name: free(
          'Circuit',
          rows.map(({ circuit }) => circuit.name),
        ),
      }),
    });
  const fromSurvey = () => {
    const circuit = circuits.make({
      id: newRowId('circuit'),
      name: 'Circuit at the cabinet',
      breakerA: isAnswered(job, 'mains-amps') ? figureOf(job, 'mains-amps') : null,
    });
    keep(
      { table: 'circuits', record: circuit },
      {
        table: 'wallOutlets',
        record: wallOutlets.make({
          id: newRowId('wall'),
          name: 'Wall outlets at the cabinet',
          circuitId: circuit.id,
          count: Math.max(1, Math.min(12, figureOf(job, 'mains-outlets'))),
        }),
      },
    );
  };
  return (
    <Scroll label="Circuits">
      <div className="flex flex-wrap items-end gap-2">
        <Button look="main" onClick={addCircuit}>
          Add a circuit
        </Button>
        {rows.length === 0 && <Button onClick={fromSurvey}>Make one from the survey</Button>}
        <AnswerField id="mains-volts" className="w-36" />
        <AnswerField id="rack-earthed" className="w-52" label="Rack, rails, door bonded to earth" />
        <AnswerField id="energy-price" className="w-44" label="Price of a kilowatt hour" />
      </div>
      {rows.length === 0 ? (
        <p className="max-w-[70ch]">
          No circuit is known yet. A circuit has a breaker, perhaps a residual-current device, and the wall outlets that
          hang on it. What one of them carries is calculated here against its continuous limit, so that nothing trips at
          night.
        </p>
      ) : (
        <LoadChart rows={rows} />
      )}
      {rows.map((facts) => (
        <CircuitCard key={facts.circuit.id} facts={facts} />
      ))}
      <WallOutlets />
      <p className="narrow text-soft text-xs">
        Continuous load: {citeFor(ruleSets[job.rules].continuous.source, job.rules)}. Breakers:{' '}
        {citeFor(breakerSource, job.rules)}. Voltage: {citeFor(dropSource, job.rules)}. Leakage:{' '}
        {citeFor(residualSource, job.rules)}. {ruleSets[job.rules].licensed.mains}
      </p>
    </Scroll>
  );
}

function CircuitCard({ facts }: { facts: CircuitFacts }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const { circuit, amps, limitA, idle, full, grownAmps, state } = facts;
  const change = (changes: Partial<Circuit>): boolean =>
    keep({ table: 'circuits', record: { ...circuit, ...changes } });
  const field = (label: string, of: 'breakerA' | 'alsoW' | 'residualMa', unit: string, help?: string) => (
    <NumberField
      label={label}
      unit={unit}
      {...(help ? { help } : {})}
      empty
      placeholder="not known"
      value={circuit[of]}
      onCommit={(value) => change({ [of]: value })}
    />
  );
  const least = full.unknown > 0 ? 'at least ' : '';
  return (
    <section aria-label={circuit.name} className="grid gap-2">
      <Heading
        aside={
          <>
            <StateMark state={state} />
            <Button
              look="quiet"
              className="ml-auto px-1 text-soft"
              aria-label={`Remove ${circuit.name}`}
              onClick={() => drop('circuits', circuit.id)}
            >
              <Trash2 size={15} aria-hidden />
            </Button>
          </>
        }
      >
        {circuit.name}
      </Heading>
      <Figures>
        <Figure name="Idle">{formatWatts(idle.w)}</Figure>
        <Figure name="At full">
          {least}
          {formatWatts(full.w)}, {round(full.va)} VA
        </Figure>
        <Figure name="Current at full">{amps === null ? 'not known' : `${least}${round(amps, 1)} A`}</Figure>
        <Figure name={`In ${counted(figureOf(job, 'growth-years'), 'year')}`}>
          {grownAmps === null ? 'not known' : `${least}${round(grownAmps, 1)} A`}
        </Figure>
        <Figure name="Continuous limit">{limitA === null ? 'not known' : `${round(limitA, 1)} A`}</Figure>
        <Figure name="Voltage lost">
          {facts.drop === null ? 'not known' : `${round(facts.drop.percent, 2)} % of ${facts.drop.advice} %`}
        </Figure>
        <Figure name="All on at once">
          {facts.inrushUnknown > 0 ? 'about ' : ''}
          {round(facts.rushA)} A{facts.rushLimitA === null ? '' : ` of ${round(facts.rushLimitA)} A`}
        </Figure>
        <Figure name="Leaks">
          {facts.leakUnknown > 0 ? 'about ' : ''}
          {round(facts.leakMa, 1)} mA{facts.leakLimitMa === null ? '' : ` of ${round(facts.leakLimitMa, 1)} mA`}
        </Figure>
        <Figure name="In a year, idle">
          {round(facts.yearKwh)} kWh{facts.yearCost === null ? '' : `, ${moneyOf(job, facts.yearCost)}`}
        </Figure>
      </Figures>
      <NotKnown things={facts.unknown} />
      {facts.rush.length > 1 && (
        <ol className="text-[13px]">
          {facts.rush.map(({ atS, gear, amps: peak }) => (
            <li key={atS} className="border-b py-0.5">
              <b className="font-mono">{round(atS, 1)} s</b> {gear.map(({ name }) => name).join(', ')}{' '}
              <span className="text-soft">(up to {round(peak)} A)</span>
            </li>
          ))}
        </ol>
      )}
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-4 xl:grid-cols-8">
        <CommitField
          label="Name"
          value={circuit.name}
          onCommit={(text) => (change({ name: text.trim() }) ? null : 'It could not be taken.')}
        />
        {field('Breaker', 'breakerA', 'A')}
        <CommitSelect
          label="Curve"
          value={circuit.curve ?? ''}
          options={[UNKNOWN, ...CURVES.map((value) => ({ value, words: value }))]}
          onCommit={(value) => change({ curve: (value || null) as Circuit['curve'] })}
        />
        {field('Residual-current device', 'residualMa', 'mA', '0: it has none.')}
        {field('What else hangs on it', 'alsoW', 'W')}
        <CommitSelect
          label="Wire"
          value={circuit.wire ?? ''}
          options={[UNKNOWN, ...MAINS_WIRES.map((value) => ({ value, words: mainsWires[value].name }))]}
          onCommit={(value) => change({ wire: (value || null) as Circuit['wire'] })}
        />
        <LengthField
          label="Length of its wire"
          mm={circuit.wireMm}
          onCommit={(wireMm) => change({ wireMm })}
          onClear={() => change({ wireMm: null })}
        />
        <CommitSelect
          label="On the generator"
          value={String(circuit.generator)}
          options={[
            { value: 'false', words: 'no' },
            { value: 'true', words: 'yes' },
          ]}
          onCommit={(value) => change({ generator: value === 'true' })}
        />
      </div>
    </section>
  );
}

function WallOutlets() {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const rows = Object.values(job.wallOutlets).sort((a, b) => naturalOrder(a.name, b.name));
  const all = Object.values(job.circuits);
  const add = () => {
    let at = 1;
    while (rows.some(({ name }) => name === `Wall outlet ${at}`)) at += 1;
    keep({
      table: 'wallOutlets',
      record: wallOutlets.make({
        id: newRowId('wall'),
        name: `Wall outlet ${at}`,
        circuitId: all.length === 1 ? (all[0]?.id ?? null) : null,
      }),
    });
  };
  return (
    <section aria-label="Wall outlets">
      <Heading
        aside={
          <Button look="quiet" onClick={add}>
            Add wall outlets
          </Button>
        }
      >
        Wall outlets
      </Heading>
      <ul>
        {rows.map((one) => {
          const change = (changes: Partial<WallOutlet>): boolean =>
            keep({ table: 'wallOutlets', record: { ...one, ...changes } });
          return (
            <li
              key={one.id}
              className="grid grid-cols-2 items-end gap-2 border-b py-1.5 sm:grid-cols-[1.2fr_1.4fr_1.2fr_1fr_0.5fr_0.8fr_auto]"
            >
              <CommitField
                label="Name"
                value={one.name}
                onCommit={(text) => (change({ name: text.trim() }) ? null : 'It could not be taken.')}
              />
              <CommitField
                label="Place"
                value={one.place}
                onCommit={(text) => (change({ place: text.trim() }) ? null : 'It could not be taken.')}
              />
              <CommitSelect
                label="Circuit"
                value={one.circuitId ?? ''}
                options={[UNKNOWN, ...all.map(({ id, name }) => ({ value: id, words: name }))]}
                onCommit={(value) => change({ circuitId: value || null })}
              />
              <CommitSelect
                label="Kind"
                value={one.kind ?? ''}
                options={[
                  { value: '', words: ruleSets[job.rules].plug || 'not known' },
                  ...OUTLET_KINDS.map((value) => ({ value, words: outlets[value].name })),
                ]}
                onCommit={(value) => change({ kind: (value || null) as WallOutlet['kind'] })}
              />
              <CommitField
                label="Count"
                inputMode="numeric"
                value={String(one.count)}
                onCommit={(text) => {
                  const count = Number(text);
                  if (!Number.isInteger(count) || count < 1 || count > 12) return 'Expected 1 to 12.';
                  return change({ count }) ? null : 'It could not be taken.';
                }}
              />
              <LengthField
                label="To the cabinet"
                mm={one.reachMm}
                onCommit={(reachMm) => change({ reachMm })}
                onClear={() => change({ reachMm: null })}
              />
              <Button
                look="quiet"
                className="px-1 text-soft"
                aria-label={`Remove ${one.name}`}
                onClick={() => drop('wallOutlets', one.id)}
              >
                <Trash2 size={15} aria-hidden />
              </Button>
            </li>
          );
        })}
        {rows.length === 0 && <li className="py-1 text-soft">No wall outlet is known yet.</li>}
      </ul>
    </section>
  );
}
