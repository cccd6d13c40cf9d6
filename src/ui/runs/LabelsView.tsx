'use client';

import { useMemo, useState } from 'react';
import { counted } from '@/core/base/text/counted';
import { Refusal } from '@/core/base/text/refusal';
import { questionOf } from '@/core/job/records/questions';
import {
  isStrip,
  LABEL_KIND_WORDS,
  LABEL_KINDS,
  LABEL_SHEETS,
  type LabelKind,
  type LabelSheetId,
  LabelSheetSize,
  writeOwnSheet,
} from '@/core/trade/labels/labelOptions';
import { labelPages } from '@/core/trade/labels/labelPages';
import { breaksScheme, labelBearers, planLabels, renameCommands, type Scheme } from '@/core/trade/labels/labelScheme';
import { answerCommand, answerOf } from '@/core/trade/survey/answers/answers';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { TakeawayLink, takeawayPath } from '../kit/TakeawayLink';
import { useSession } from '../session/session';

const MEASURES: { field: keyof LabelSheetSize; words: string }[] = [
  { field: 'pageWidthMm', words: 'Page width' },
  { field: 'pageHeightMm', words: 'Page height' },
  { field: 'columns', words: 'Columns' },
  { field: 'rows', words: 'Rows' },
  { field: 'labelWidthMm', words: 'Label width' },
  { field: 'labelHeightMm', words: 'Label height' },
  { field: 'leftMm', words: 'From the left' },
  { field: 'topMm', words: 'From the top' },
  { field: 'gapXMm', words: 'Gap across' },
  { field: 'gapYMm', words: 'Gap down' },
];

/** Labels: one scheme for the job, renaming with what else changes, and sheets to print. */
export function LabelsView() {
  return (
    <div className="grid min-h-0 flex-1 content-start gap-x-6 gap-y-4 overflow-auto px-3 py-2 xl:grid-cols-[minmax(0,1fr)_minmax(0,1.25fr)]">
      <Renaming />
      <Printing />
    </div>
  );
}

function Renaming() {
  const job = useSession((session) => session.job);
  const dispatch = useSession((session) => session.dispatch);
  const scheme = answerOf(job, 'label-scheme') as Scheme;
  const question = questionOf('label-scheme');
  // Labels that are in order stay, unless all are asked for.
  const [all, setAll] = useState(false);
  const plan = useMemo(() => planLabels(job, scheme, all ? undefined : breaksScheme(job, scheme)), [job, scheme, all]);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const chosen = plan.renames.filter(({ runId }) => !left.has(runId));
  // Leaving some out frees or blocks labels, so the plan is made anew for those that stay.
  const final = useMemo(
    () => (left.size === 0 ? plan : planLabels(job, scheme, new Set(chosen.map(({ runId }) => runId)))),
    [job, scheme, plan, left, chosen],
  );
  const finalOf = new Map(final.renames.map(({ runId, to }) => [runId, to]));
  const toggle = (id: string) => {
    const next = new Set(left);
    if (!next.delete(id)) next.add(id);
    setLeft(next);
  };
  return (
    <section aria-label="Scheme" className="min-w-0">
      <h2 className="wide mb-1 border-strong border-b font-bold">One scheme for the job</h2>
      <div className="grid gap-2">
        {question.kind === 'choice' && (
          <CommitSelect
            label={question.words}
            value={scheme}
            options={question.options}
            onCommit={(value) => {
              setLeft(new Set());
              setAll(false);
              dispatch([answerCommand(job, 'label-scheme', value)]);
            }}
          />
        )}
        {scheme === 'telecom' && (
          <CommitField
            label="Space of the cabinet"
            help="Floor and letter, as TIA-606 has it."
            value={answerOf(job, 'label-space')}
            onCommit={(text) => (dispatch([answerCommand(job, 'label-space', text)]) ? null : 'It could not be taken.')}
          />
        )}
      </div>
      {plan.renames.length === 0 ? (
        <div className="mt-2 flex flex-wrap items-center gap-2">
          <p className="text-soft">
            Every label is {all ? 'as the scheme makes it' : 'of the scheme'}
            {plan.left.length > 0 ? ', as far as it can be' : ''}.
          </p>
          {!all && <Button onClick={() => setAll(true)}>Show all numbered anew, in the order of the rooms</Button>}
        </div>
      ) : (
        <>
          <div className="my-2 flex flex-wrap items-center gap-2">
            <Button
              look="main"
              disabled={final.renames.length === 0}
              onClick={() => {
                if (dispatch(renameCommands(final.renames))) setLeft(new Set());
              }}
            >
              Rename {counted(final.renames.length, 'run')}
            </Button>
            <span className="text-soft">Landings, cords, cuts and pathways stay; what is printed changes.</span>
          </div>
          <table className="narrow w-full text-[13px]">
            <thead>
              <tr className="border-b text-left">
                <th className="w-6" />
                <th className="pr-3">Now</th>
                <th className="pr-3">Becomes</th>
                <th>Beside both ends, changes on</th>
              </tr>
            </thead>
            <tbody>
              {plan.renames.slice(0, 200).map(({ runId, from, to }) => (
                <tr key={runId} className="border-b align-top">
                  <td>
                    <input
                      type="checkbox"
                      aria-label={`Rename ${from}`}
                      checked={!left.has(runId)}
                      onChange={() => toggle(runId)}
                    />
                  </td>
                  <td className="whitespace-nowrap pr-3 font-bold font-mono">{from}</td>
                  <td className="whitespace-nowrap pr-3 font-bold font-mono">
                    {left.has(runId) ? from : (finalOf.get(runId) ?? to)}
                  </td>
                  <td className="text-soft">{labelBearers(job, runId).join(', ')}</td>
                </tr>
              ))}
            </tbody>
          </table>
          {plan.renames.length > 200 && <p className="text-soft">The first 200 are listed; all are renamed.</p>}
        </>
      )}
      {final.left.length > 0 && (
        <ul className="mt-2 list-disc pl-5 text-bite">
          {final.left.slice(0, 6).map(({ runId, why }) => (
            <li key={runId}>{why}</li>
          ))}
          {final.left.length > 6 && <li>and {final.left.length - 6} more</li>}
        </ul>
      )}
    </section>
  );
}

function Printing() {
  const job = useSession((session) => session.job);
  const [kind, setKind] = useState<LabelKind>('wrap');
  const [sheet, setSheet] = useState<LabelSheetId | 'own'>('a4-3x8');
  const [own, setOwn] = useState<LabelSheetSize>(LABEL_SHEETS['a4-3x8'].size);
  const [code, setCode] = useState(false);
  const made = useMemo(() => {
    try {
      const codeFor = code ? 'http://localhost/' : undefined;
      return { pages: labelPages(job, { kind, sheet, own, ...(codeFor ? { codeFor } : {}) }), words: null };
    } catch (fault) {
      if (fault instanceof Refusal) return { pages: null, words: fault.message };
      throw fault;
    }
  }, [job, kind, sheet, own, code]);
  const options = {
    kind,
    sheet,
    ...(sheet === 'own' ? { own: writeOwnSheet(own) } : {}),
    ...(code ? { code: '1' } : {}),
  };
  return (
    <section aria-label="Print" className="min-w-0">
      <h2 className="wide mb-1 border-strong border-b font-bold">Sheets to print</h2>
      <div className="grid gap-2 sm:grid-cols-2">
        <CommitSelect
          label="Labels"
          value={kind}
          options={LABEL_KINDS.map((value) => ({ value, words: LABEL_KIND_WORDS[value] }))}
          onCommit={(value) => setKind(value as LabelKind)}
        />
        {!isStrip(kind) && (
          <CommitSelect
            label="Sheet"
            value={sheet}
            options={[
              ...Object.entries(LABEL_SHEETS).map(([value, { words }]) => ({ value, words })),
              { value: 'own', words: 'own measures' },
            ]}
            onCommit={(value) => {
              if (value === 'own' && sheet !== 'own') setOwn(LABEL_SHEETS[sheet].size);
              setSheet(value as LabelSheetId | 'own');
            }}
          />
        )}
      </div>
      {!isStrip(kind) && sheet === 'own' && (
        <div className="mt-2 grid grid-cols-3 gap-2 sm:grid-cols-5">
          {MEASURES.map(({ field, words }) => (
            <CommitField
              key={field}
              label={words}
              {...(field === 'columns' || field === 'rows' ? {} : { unit: 'mm' })}
              inputMode="decimal"
              value={String(own[field])}
              onCommit={(text) => {
                const next = { ...own, [field]: Number(text.replace(',', '.')) };
                const checked = LabelSheetSize.safeParse(next);
                if (!checked.success) return checked.error.issues[0]?.message ?? 'Expected a number.';
                setOwn(next);
                return null;
              }}
            />
          ))}
        </div>
      )}
      <div className="my-2 flex flex-wrap items-center gap-2">
        {!isStrip(kind) && (
          <label className="flex items-center gap-2">
            <input type="checkbox" checked={code} onChange={() => setCode(!code)} />A code to scan, which opens the
            trace
          </label>
        )}
        <TakeawayLink of="labels.pdf" words="" options={options} main />
        <TakeawayLink of="labels.svg" words="" options={options} />
        {made.pages && (
          <span className="text-soft">
            {counted(made.pages.pages.length, 'page')}, in true size; the first is shown
          </span>
        )}
      </div>
      {made.words && <p className="font-semibold text-wont">{made.words}</p>}
      {made.pages && made.pages.faults.length > 0 && (
        <ul className="mb-2 list-disc pl-5 text-bite">
          {made.pages.faults.slice(0, 5).map((fault) => (
            <li key={fault}>{fault}</li>
          ))}
          {made.pages.faults.length > 5 && <li>and {made.pages.faults.length - 5} more</li>}
        </ul>
      )}
      {made.pages && (
        // biome-ignore lint/performance/noImgElement: a drawing made for this job, in no size that is known before
        <img
          src={takeawayPath(job.id, 'labels.svg', {
            ...options,
            as: 'inline',
            page: '1',
            rev: String(JSON.stringify(made.pages.pages[0] ?? []).length),
          })}
          alt={`The sheets of labels: ${LABEL_KIND_WORDS[kind]}`}
          className="w-full border border-strong bg-white"
        />
      )}
    </section>
  );
}
