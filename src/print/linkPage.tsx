import type { ReactElement, ReactNode } from 'react';
import { stepLimits } from '../core/base/solve/limits';
import { ACTION_WORDS } from '../core/base/text/actionWords';
import { cabinetOfJob } from '../core/exchange/copies/partOfJob';
import type { About } from '../core/exchange/handover/about';
import { pathLines } from '../core/exchange/handover/pathLine';
import type { Job } from '../core/job/document/job';
import { indexJob } from '../core/job/document/jobIndex';
import { tablesThat } from '../core/job/document/tables';
import { buildPlan } from '../core/trade/build/buildPlan';
import { noStepsWords, WHO_CAUTIONS } from '../core/trade/build/buildWords';
import { PURPOSE_WORDS, type Purpose } from '../core/trade/people/people';
import { type ProofState, proofOf } from '../core/trade/testing/proof';
import { handoverHtml } from './handoverHtml';
import { pageAssets } from './pageAssets';
import { staticPage } from './staticPage';

export type LinkPageGiven = {
  job: Job;
  /** What stood when the build began; null: nothing. */
  today: Job | null;
  root: string;
  about: About;
  purpose: Purpose;
  rackId: string | null;
  whom: string;
  /** Last day of the link. */
  until: string;
  /** Words that are looked for among the runs. */
  find: string;
  /** What was just done, or went wrong. */
  said: string;
};

/** Rows shown at once: the page is read on a phone. */
const MOST_SHOWN = 60;
/** A short search is enough: this is a checklist, not a choice of plans. */
const LIMITS = stepLimits(2_000);

/**
 * The page of a shared link. It needs no scripts, and shows only the part of the job that the link is for.
 */
export function linkPage(given: LinkPageGiven): string {
  const { job, root, about, purpose, rackId } = given;
  if (purpose === 'read') return handoverHtml(withoutPrivate(job), root, about);
  if (purpose === 'cabinet') return handoverHtml(cabinetOfJob(job, rackId ?? ''), root, about);
  return purpose === 'build' ? frame(given, <BuildList {...given} />) : frame(given, <TestList {...given} />);
}

/** Tracing needs no contacts and no open items between the firm and its client. */
const PRIVATE = tablesThat((table) => table.private);
const withoutPrivate = (job: Job): Job => ({ ...job, ...Object.fromEntries(PRIVATE.map((table) => [table, {}])) });

const MORE = `form{margin:0}main>ul,main>ol{list-style:none;padding:0}fieldset{border:1px solid var(--rule);background:var(--sheet);margin:0 0 .75rem;padding:.6rem}
legend{font-weight:700}button,input[type=text],input[type=search]{font:inherit;min-height:48px;padding:0 .8rem;border:1px solid var(--soft);background:var(--paper);color:inherit;max-width:100%}
button.main{background:var(--act);color:var(--paper);border-color:var(--act);font-weight:700}
.row{display:flex;flex-wrap:wrap;gap:.5rem;align-items:center}.row input[type=text]{flex:1 1 10rem;min-width:0}
.said{border:2px solid var(--act);padding:.6rem;font-weight:700}.wont{color:var(--wont);font-weight:700}`;

function frame({ job, root, purpose, whom, until, said }: LinkPageGiven, list: ReactElement): string {
  const body = (
    <>
      <header>
        <h1>{job.name}</h1>
        <p className="soft">{`${PURPOSE_WORDS[purpose]}, for ${whom}, until ${until}.`}</p>
      </header>
      <main>
        {said !== '' && (
          <p className="said" role="status">
            {said}
          </p>
        )}
        {list}
      </main>
    </>
  );
  return staticPage({
    title: `${job.name}: ${PURPOSE_WORDS[purpose]}`,
    style: pageAssets(root).style + MORE,
    policy: ["form-action 'self'"],
    body,
  });
}

/** One item of the list, with the form that reports it. @param fields sent together with the button */
function Task(given: { title: string; fields: Record<string, string>; about: ReactNode; buttons: ReactNode }) {
  const { title, fields, about, buttons } = given;
  return (
    <li>
      <form method="post">
        {Object.entries(fields).map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        <fieldset>
          <legend>{title}</legend>
          {about}
          <div className="row">
            {buttons}
            <input type="text" name="note" maxLength={300} aria-label={`Note on ${title}`} placeholder="Note" />
          </div>
        </fieldset>
      </form>
    </li>
  );
}

const Choice = ({ name, value, main, words }: { name: string; value: string; main?: boolean; words: string }) => (
  <button type="submit" className={main ? 'main' : undefined} name={name} value={value}>
    {words}
  </button>
);

function BuildList({ job, today }: LinkPageGiven) {
  const plan = buildPlan(today, job, LIMITS);
  const open = plan.planned.filter(({ key }) => (plan.tickOf.get(key)?.state ?? 'stuck') === 'stuck');
  if (open.length === 0) return <p>{noStepsWords(plan.steps.length)}</p>;
  const shown = open.slice(0, MOST_SHOWN);
  return (
    <>
      <h2>Next, in order</h2>
      <ol>
        {shown.map(({ key, entry: { step, action } }) => {
          const ways = [step.from && `out of ${step.from}`, step.to && `into ${step.to}`].filter(Boolean);
          const where = ways.length > 0 ? ways.join(', ') : (step.place ?? '');
          const caution = WHO_CAUTIONS[step.who];
          return (
            <Task
              key={key}
              title={`${ACTION_WORDS[action]}${step.words}`}
              fields={{ key }}
              about={
                <>
                  {where !== '' && <p>{where}</p>}
                  {step.caution !== '' && <p className="wont">{step.caution}</p>}
                  {caution && <p className="wont">{caution}</p>}
                  {plan.tickOf.get(key)?.state === 'stuck' && <p className="wont">Stuck.</p>}
                </>
              }
              buttons={
                <>
                  <Choice name="state" value="done" main words="Done" />
                  <Choice name="state" value="stuck" words="Stuck" />
                </>
              }
            />
          );
        })}
      </ol>
      {open.length > shown.length && <p className="soft">{`and ${open.length - shown.length} more after these`}</p>}
    </>
  );
}

/** Failed and untested runs come first. */
const PROOF_ORDER: readonly ProofState[] = ['failed', 'not tested', 'incomplete', 'not judged', 'accepted', 'passed'];

function TestList({ job, find }: LinkPageGiven) {
  const lines = new Map(pathLines(job).map((line) => [line.label, line]));
  const words = find.trim().toLowerCase();
  const found = indexJob(job)
    .runsInOrder.filter(({ label }) => label !== '')
    .map((run) => ({ run, line: lines.get(run.label), proof: proofOf(job, run) }))
    .filter(({ run, line }) =>
      [run.label, run.room, run.outlet, run.device, line?.panel ?? ''].some((one) => one.toLowerCase().includes(words)),
    )
    .sort((a, b) => PROOF_ORDER.indexOf(a.proof.state) - PROOF_ORDER.indexOf(b.proof.state));
  const shown = found.slice(0, MOST_SHOWN);
  const what = 'Label, room, outlet or panel';
  return (
    <>
      <search>
        <form method="get" className="row">
          <input type="search" name="find" defaultValue={find} aria-label={what} placeholder={what} />
          <button type="submit">Find</button>
        </form>
      </search>
      <p className="soft">
        “Passed” here means continuity from end to end and nothing more. Certification results are imported from the
        file of the tester.
      </p>
      <h2>Runs, failed and untested first</h2>
      {shown.length === 0 ? (
        <p>No runs match.</p>
      ) : (
        <ul>
          {shown.map(({ run, line, proof }) => {
            const port = line?.panel ? `${line.panel} port ${line['panel port']}` : '';
            const where = [run.room, run.outlet, port].filter(Boolean).join(', ');
            return (
              <Task
                key={run.id}
                title={run.label}
                fields={{ run: run.id, find }}
                about={
                  <p>
                    {where || 'no room, no port'} <span className="soft">{proof.state}</span>
                  </p>
                }
                buttons={
                  <>
                    <Choice name="passed" value="1" main words="Passed" />
                    <Choice name="passed" value="0" words="Failed" />
                  </>
                }
              />
            );
          })}
        </ul>
      )}
      {found.length > shown.length && (
        <p className="soft">{`and ${found.length - shown.length} more: find them by label or room`}</p>
      )}
    </>
  );
}
