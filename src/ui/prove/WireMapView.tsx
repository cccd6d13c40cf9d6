import { useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { CONTACT_PAIRS, readingOf, readWireMap, wireMapSource } from '@/core/trade/testing/wireMap';
import { CommitSelect } from '../kit/CommitField';
import { inputLook } from '../kit/Field';
import { Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';

const START = '1 2 3 - 5 6 7 8';
const SPLITS = { unknown: 'it cannot tell', no: 'none seen', yes: 'split pairs seen' } as const;

/** A wire map in words: which pins, which end, what it does to the link, and what to do first. */
export function WireMapView() {
  const rules = useSession((session) => session.job.rules);
  const [text, setText] = useState(START);
  const [lengths, setLengths] = useState(['', '', '', '']);
  const [split, setSplit] = useState<keyof typeof SPLITS>('unknown');
  const to = readWireMap(text);
  const pairM = lengths.map((one) => {
    const value = Number(one.trim().replace(',', '.'));
    return one.trim() === '' || !Number.isFinite(value) ? null : value;
  });
  const reading =
    to && readingOf({ to, screen: 'not-tested', pairM, splitSeen: split === 'unknown' ? null : split === 'yes' });
  return (
    <Scroll label="Wire map">
      <div className="grid items-start gap-3 sm:grid-cols-2 xl:grid-cols-4">
        <label className="grid font-semibold text-[13px]">
          Far pins of pins 1 to 8
          <input
            value={text}
            onChange={(event) => setText(event.target.value)}
            className={`${inputLook} font-mono`}
            aria-describedby="map-help"
          />
          <span id="map-help" className="narrow font-normal text-soft text-xs">
            As the tester shows it: - for open, + between pins that are joined, such as 1+2 1+2 3 4 5 6 7 8.
          </span>
        </label>
        <fieldset className="grid grid-cols-4 gap-1">
          <legend className="font-semibold text-[13px]">Length of each pair (m)</legend>
          {CONTACT_PAIRS.map((pair, at) => (
            <label key={pair[0]} className="grid text-xs">
              {pair.join('-')}
              <input
                value={lengths[at] ?? ''}
                inputMode="decimal"
                onChange={(event) => setLengths(lengths.map((one, slot) => (slot === at ? event.target.value : one)))}
                className={inputLook}
              />
            </label>
          ))}
        </fieldset>
        <CommitSelect
          label="Split pairs"
          value={split}
          options={Object.entries(SPLITS).map(([value, words]) => ({ value, words }))}
          onCommit={(value) => setSplit(value as keyof typeof SPLITS)}
        />
      </div>
      {reading === null || to === null ? (
        <p role="alert" className="font-semibold text-wont">
          Expected eight far pins, such as {START}.
        </p>
      ) : (
        <div className="grid gap-4 lg:grid-cols-[auto_minmax(0,1fr)]">
          <PinDrawing to={to} />
          <div className="grid content-start gap-3" aria-live="polite">
            <section aria-label="What it says">
              <Heading>
                {reading.verdict === 'fail'
                  ? 'It fails'
                  : reading.verdict === 'pass'
                    ? 'It passes'
                    : 'Straight through'}
              </Heading>
              <ul className="list-inside list-disc">
                {reading.faults.map(({ words }) => (
                  <li key={words}>{words}</li>
                ))}
              </ul>
              {reading.verdict === 'passes as far as it was looked' && (
                <p className="text-bite">A split pair passes this test unseen: only crosstalk or impedance shows it.</p>
              )}
              {reading.place && <p className="font-semibold">{reading.place}</p>}
            </section>
            {reading.effects.length > 0 && (
              <section aria-label="What it does">
                <Heading>What it does to the link</Heading>
                <ul className="text-[13px]">
                  {reading.effects.map(({ words, source }) => (
                    <li key={words}>
                      {words} <span className="narrow text-soft text-xs">[{citeFor(source, rules)}]</span>
                    </li>
                  ))}
                </ul>
              </section>
            )}
            {reading.todo.length > 0 && (
              <section aria-label="What to do">
                <Heading>What to do, least effort first</Heading>
                <ol className="list-inside list-decimal text-[13px]">
                  {reading.todo.map((words) => (
                    <li key={words}>{words}</li>
                  ))}
                </ol>
              </section>
            )}
          </div>
        </div>
      )}
      <p className="narrow text-soft text-xs">
        {citeFor(wireMapSource, rules)}. What to do first is a rule of thumb. Mains have been found on old cables: if in
        doubt, measure before you touch.
      </p>
    </Scroll>
  );
}

/** Both ends pin by pin, with the wires between them as the map has them. */
function PinDrawing({ to }: { to: readonly (readonly number[])[] }) {
  const y = (pin: number) => pin * 26;
  return (
    <svg
      width={250}
      height={236}
      role="img"
      aria-label={`Wire map: ${to.map((row, at) => `${at + 1} to ${row.join(' and ') || 'nothing'}`).join(', ')}`}
    >
      {to.map((row, at) => (
        <g key={y(at + 1)}>
          <text x={16} y={y(at + 1) + 5} fontSize={15} textAnchor="end" fill="var(--ink)" fontFamily="var(--font-mono)">
            {at + 1}
          </text>
          <text x={234} y={y(at + 1) + 5} fontSize={15} fill="var(--ink)" fontFamily="var(--font-mono)">
            {at + 1}
          </text>
          {row.length === 0 ? (
            <>
              <path d={`M26 ${y(at + 1)}h60`} stroke="var(--wont)" strokeWidth={3} strokeDasharray="7 5" />
              <text x={92} y={y(at + 1) + 5} fontSize={13} fill="var(--wont)">
                open
              </text>
            </>
          ) : (
            row.map((far) => (
              <path
                key={far}
                d={`M26 ${y(at + 1)}C100 ${y(at + 1)} 150 ${y(far)} 224 ${y(far)}`}
                fill="none"
                stroke={row.length === 1 && far === at + 1 ? 'var(--good)' : 'var(--wont)'}
                strokeWidth={3}
                strokeDasharray={row.length > 1 ? '2 3' : ''}
              />
            ))
          )}
        </g>
      ))}
    </svg>
  );
}
