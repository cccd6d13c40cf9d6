'use client';

import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { citeFor } from '@/core/base/standards/cite';
import { openPoints } from '@/core/job/records/openPoint';
import { cautionsFor } from '@/core/trade/survey/cautions';
import { openByItself } from '@/core/trade/survey/openPoints';
import { Button } from '../kit/Button';
import { Input } from '../kit/Field';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';
import { ContactsList } from './ContactsList';

/** What is left for later or still open, and the cautions that this job calls for. */
export function ScopeView() {
  const job = useSession((session) => session.job);
  const { keep, drop } = useRows();
  const [words, setWords] = useState('');
  const points = Object.values(job.openPoints).sort((a, b) => Number(a.done) - Number(b.done));
  const add = () => {
    if (words.trim() === '') return;
    if (keep({ table: 'openPoints', record: openPoints.make({ id: newRowId('open'), words: words.trim() }) }))
      setWords('');
  };
  return (
    <div className="grid min-h-0 flex-1 content-start gap-x-6 gap-y-4 overflow-auto px-3 py-2 lg:grid-cols-2">
      <section aria-label="Open points">
        <h2 className="wide mb-1 border-strong border-b font-bold">Open points</h2>
        <form
          className="mb-2 flex gap-2"
          onSubmit={(event) => {
            event.preventDefault();
            add();
          }}
        >
          <Input
            aria-label="A new open point"
            value={words}
            maxLength={300}
            placeholder="such as: ask the landlord about the riser"
            onChange={(event) => setWords(event.target.value)}
          />
          <Button type="submit" look="main" disabled={words.trim() === ''}>
            Add
          </Button>
        </form>
        <ul>
          {points.map((point) => (
            <li key={point.id} className="flex items-start gap-2 border-b py-1">
              <label className="flex flex-1 items-start gap-2">
                <input
                  type="checkbox"
                  className="mt-1"
                  checked={point.done}
                  onChange={() => keep({ table: 'openPoints', record: { ...point, done: !point.done } })}
                />
                <span className={point.done ? 'text-soft line-through' : ''}>{point.words}</span>
              </label>
              <Button
                look="quiet"
                className="min-h-6 px-1 py-0 text-soft"
                aria-label={`Remove: ${point.words}`}
                onClick={() => drop('openPoints', point.id)}
              >
                <Trash2 size={14} aria-hidden />
              </Button>
            </li>
          ))}
        </ul>
        <h3 className="mt-3 font-semibold">Shown by the job itself</h3>
        <ul className="list-disc pl-5">
          {openByItself(job).map((line) => (
            <li key={line} className="py-0.5">
              {line}
            </li>
          ))}
        </ul>
      </section>
      <section aria-label="Cautions">
        <h2 className="wide mb-1 border-strong border-b font-bold">Cautions of this job</h2>
        <p className="mb-1 text-soft">Each stands here because of what was answered or planned.</p>
        <ul>
          {cautionsFor(job).map(({ id, words: text, source }) => (
            <li key={id} className="flex gap-2 border-b py-1.5">
              <svg width="18" height="17" viewBox="0 0 18 17" aria-hidden className="mt-0.5 shrink-0">
                <path d="M9 1l8 15H1z" fill="none" stroke="var(--bite)" strokeWidth="1.8" strokeLinejoin="round" />
                <path d="M9 6v5M9 12.6v1.6" stroke="var(--bite)" strokeWidth="1.8" />
              </svg>
              <p>
                {text}
                {source && <span className="narrow block text-soft text-xs">Source: {citeFor(source, job.rules)}</span>}
              </p>
            </li>
          ))}
        </ul>
      </section>
      <ContactsList />
    </div>
  );
}
