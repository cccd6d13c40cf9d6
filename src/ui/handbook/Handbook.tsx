'use client';

import { useMemo, useState } from 'react';
import { citeWithMark } from '@/core/base/standards/source';
import type { Reckoning } from '@/core/base/text/reckoning';
import { Refusal } from '@/core/base/text/refusal';
import type { Entry } from '@/core/findings/handbook/entry';
import { entryOf, HANDBOOK, reckon, resultWords } from '@/core/findings/handbook/handbook';
import { inputLook } from '../kit/Field';
import { searchHandbook } from './searchHandbook';

/** Formulas, tables and rules of thumb that the program reckons with: search, put in numbers, see it written out. */
export function Handbook({ at }: { at?: Reckoning | undefined }) {
  const [query, setQuery] = useState('');
  const [id, setId] = useState(at?.entry ?? HANDBOOK[0]?.id ?? '');
  const found = useMemo(() => searchHandbook(query), [query]);
  const groups = [...new Set(found.map((entry) => entry.group))];
  return (
    <div className="grid gap-4 md:grid-cols-[minmax(200px,290px)_1fr]">
      <div className="grid content-start gap-2">
        <input
          type="search"
          aria-label="Search the handbook"
          placeholder="Cords, lifting, conduit …"
          className={inputLook}
          value={query}
          onChange={(event) => setQuery(event.target.value)}
        />
        {found.length === 0 && <p className="text-soft">Nothing in the handbook holds “{query}”.</p>}
        <nav aria-label="Entries" className="max-h-64 overflow-auto md:max-h-[66vh]">
          {groups.map((group) => (
            <div key={group} className="mb-2">
              <h2 className="wide border-b font-bold text-sm">{group}</h2>
              <ul>
                {found
                  .filter((entry) => entry.group === group)
                  .map((entry) => (
                    <li key={entry.id}>
                      <button
                        type="button"
                        aria-current={entry.id === id ? 'true' : undefined}
                        className={`min-h-8 w-full rounded-[2px] px-1.5 py-1 text-left text-[13px] leading-tight hover:bg-well pointer-coarse:min-h-11 ${entry.id === id ? 'bg-well font-bold' : ''}`}
                        onClick={() => setId(entry.id)}
                      >
                        {entry.tells}
                      </button>
                    </li>
                  ))}
              </ul>
            </div>
          ))}
        </nav>
      </div>
      <EntryForm key={id} entry={entryOf(id)} given={at?.entry === id ? at.given : NONE} />
    </div>
  );
}

const NONE: Reckoning['given'] = {};

function EntryForm({ entry, given: own }: { entry: Entry; given: Reckoning['given'] }) {
  const [typed, setTyped] = useState(() =>
    Object.fromEntries(Object.entries(own).map(([name, value]) => [name, String(value)])),
  );
  let made: ReturnType<typeof reckon> | null = null;
  let wrong: string | null = null;
  try {
    made = reckon(entry.id, typed);
  } catch (fault) {
    if (!(fault instanceof Refusal)) throw fault;
    wrong = fault.message;
  }
  const { given, result, from } = entry.example;
  return (
    <section aria-label={entry.tells} className="grid content-start gap-3">
      <h2 className="wide font-bold text-lg leading-tight">{entry.tells}</h2>
      {own !== NONE && Object.keys(own).length > 0 && (
        <p className="text-soft">With the numbers of this job; they can be changed here, and the job stays as it is.</p>
      )}
      <div className="grid gap-2 sm:grid-cols-2">
        {entry.inputs.map((input) => (
          <div key={input.name} className="grid gap-0.5 text-[13px]">
            <label htmlFor={`${entry.id}-${input.name}`} className="font-semibold">
              {input.words}
              {input.kind === 'number' && (
                <span className="font-normal text-soft">
                  {' '}
                  {input.least} to {input.most} {input.unit}
                </span>
              )}
            </label>
            {input.kind === 'choice' ? (
              <select
                id={`${entry.id}-${input.name}`}
                className={inputLook}
                value={typed[input.name] ?? input.initial}
                onChange={(event) => setTyped({ ...typed, [input.name]: event.target.value })}
              >
                {input.options.map((option) => (
                  <option key={option} value={option}>
                    {option}
                  </option>
                ))}
              </select>
            ) : (
              <input
                id={`${entry.id}-${input.name}`}
                inputMode="decimal"
                className={inputLook}
                value={typed[input.name] ?? String(input.initial)}
                onChange={(event) => setTyped({ ...typed, [input.name]: event.target.value })}
              />
            )}
          </div>
        ))}
      </div>
      <output aria-live="polite" className="block rounded-[3px] border-2 border-ink bg-face p-3">
        {made ? (
          <>
            <b className="block font-mono text-2xl">
              {made.value} {made.unit}
            </b>
            <span className="block break-words font-mono text-sm">{made.formula}</span>
          </>
        ) : (
          <b className="text-wont">{wrong}</b>
        )}
      </output>
      <dl className="grid gap-1 text-[13px]">
        <div>
          <dt className="inline font-semibold">Source: </dt>
          <dd className="inline">{made ? made.source : citeWithMark(entry.source)}</dd>
        </div>
        <div>
          <dt className="inline font-semibold">Worked: </dt>
          <dd className="inline">
            {entry.inputs.map((input) => `${input.words} ${given[input.name]}`).join(', ')}:{' '}
            {resultWords(entry, result)} {entry.unit} ({from})
          </dd>
        </div>
        <div>
          <dt className="inline font-semibold">On the command line: </dt>
          <dd className="inline break-words font-mono text-xs">
            bin/shelf reckon {entry.id} {entry.inputs.map((input) => `${input.name}=${given[input.name]}`).join(' ')}
          </dd>
        </div>
      </dl>
    </section>
  );
}
