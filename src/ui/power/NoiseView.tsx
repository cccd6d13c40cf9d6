'use client';

import { Trash2 } from 'lucide-react';
import { citeFor } from '@/core/base/standards/cite';
import { noiseSource, noiseTargets, PLACE_USES } from '@/core/base/standards/noise';
import { percent } from '@/core/base/units/percent';
import { type NoisePlace, noisePlaces } from '@/core/job/records/noisePlace';
import { type PlaceNoise, withLevels } from '@/core/trade/power/noise/placeNoise';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { LengthField } from '../kit/LengthField';
import { NumberField } from '../kit/NumberField';
import { newRowId, useRows } from '../kit/useRows';
import { Figure, Figures, Heading, NotKnown, round, Scroll, StateMark } from '../kit/viewParts';
import { useSession } from '../session/session';
import { usePower } from './usePower';

/** What is heard where people are, and which device it comes from. */
export function NoiseView() {
  const { job, report } = usePower();
  const { keep } = useRows();
  const racks = Object.values(job.racks);
  const [rack] = racks;
  const add = () => {
    let at = 1;
    while (report.noise.some(({ place }) => place.name === `Place ${at}`)) at += 1;
    if (rack)
      keep({
        table: 'noisePlaces',
        record: noisePlaces.make({ id: newRowId('place'), name: `Place ${at}`, rackId: rack.id, distanceMm: 3000 }),
      });
  };
  return (
    <Scroll label="Noise">
      <div>
        <Button look="main" onClick={add} disabled={!rack}>
          Add a place where people are
        </Button>
      </div>
      {report.noise.length === 0 && (
        <p className="max-w-[70ch]">
          No place within earshot is known yet. Say where people work or sleep and how far that is: what they hear of
          the cabinet is summed from all that blows in it, and judged by day and by night.
        </p>
      )}
      {report.noise.map((noise) => (
        <PlaceCard key={noise.place.id} noise={noise} />
      ))}
      <p className="narrow text-soft text-xs">
        {citeFor(noiseSource, job.rules)}. Power and pressure are never added: what is declared as power is brought to
        the place first. A glass door with closed sides takes off 5 dB, the careful end of a rule of thumb.
      </p>
    </Scroll>
  );
}

const heard = (db: number): string => (Number.isFinite(db) ? `${round(db)} dB(A)` : 'nothing known');

function PlaceCard({ noise }: { noise: PlaceNoise }) {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const { place, db, dayDb, nightDb, shares, unknown, state } = noise;
  const change = (changes: Partial<NoisePlace>): boolean =>
    keep({ table: 'noisePlaces', record: { ...place, ...changes } });
  const [loudest] = shares;
  return (
    <section aria-label={place.name} className="grid gap-2">
      <Heading
        aside={
          <>
            <StateMark state={state} />
            <Button
              look="quiet"
              className="ml-auto px-1 text-soft"
              aria-label={`Remove ${place.name}`}
              onClick={() => drop('noisePlaces', place.id)}
            >
              <Trash2 size={15} aria-hidden />
            </Button>
          </>
        }
      >
        {place.name}
      </Heading>
      <Figures>
        <Figure name="Heard there">
          {unknown.length > 0 && Number.isFinite(db) ? 'at least ' : ''}
          {heard(db)}
        </Figure>
        <Figure name="By day at most">{dayDb} dB(A)</Figure>
        <Figure name="By night at most">{nightDb} dB(A)</Figure>
        {loudest && (
          <Figure name={`Without ${loudest.gear.name}`}>
            {heard(withLevels(noise, (gear) => (gear === loudest.gear ? Number.NEGATIVE_INFINITY : null)))}
          </Figure>
        )}
      </Figures>
      <NotKnown things={unknown} />
      {shares.length > 0 && (
        <ul className="max-w-2xl text-[13px]">
          {shares.map(({ gear, db: own, share }) => (
            <li key={gear.id} className="grid grid-cols-[minmax(0,14rem)_1fr_auto] items-center gap-2 border-b py-0.5">
              <span>{gear.name}</span>
              <span aria-hidden className="h-2.5 rounded-[2px] border border-strong bg-face">
                <span className="block h-full bg-act" style={{ width: `${Math.max(1, share * 100)}%` }} />
              </span>
              <b className="whitespace-nowrap font-mono text-xs">
                {round(own)} dB(A), {percent(share)}
              </b>
            </li>
          ))}
        </ul>
      )}
      <div className="grid grid-cols-2 items-start gap-2 sm:grid-cols-3 xl:grid-cols-6">
        <CommitField
          label="Place"
          value={place.name}
          onCommit={(text) => (change({ name: text.trim() }) ? null : 'It could not be taken.')}
        />
        <CommitSelect
          label="Is a"
          value={place.use}
          options={PLACE_USES.map((value) => ({ value, words: noiseTargets[value].name }))}
          onCommit={(value) => change({ use: value as NoisePlace['use'] })}
        />
        <CommitSelect
          label="Cabinet"
          value={place.rackId}
          options={Object.values(job.racks).map(({ id, name }) => ({ value: id, words: name }))}
          onCommit={(rackId) => change({ rackId })}
        />
        <LengthField
          label="Distance"
          least={100}
          mm={place.distanceMm}
          onCommit={(distanceMm) => change({ distanceMm })}
        />
        <NumberField
          label="Room takes up"
          unit="m²"
          help="Room constant. Empty: as in the open."
          empty
          value={place.absorbsM2}
          onCommit={(absorbsM2) => change({ absorbsM2 })}
        />
        <NumberField
          label="Between"
          unit="dB"
          help="What a wall or a shut door takes off."
          value={place.betweenDb}
          onCommit={(betweenDb) => change({ betweenDb })}
        />
      </div>
    </section>
  );
}
