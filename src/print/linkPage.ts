import { createHash } from 'node:crypto';
import { stepLimits } from '../core/base/solve/limits';
import { ACTION_WORDS } from '../core/base/text/actionWords';
import { escapeXml } from '../core/base/text/escapeXml';
import { cabinetOfJob } from '../core/exchange/copies/partOfJob';
import type { About } from '../core/exchange/handover/about';
import { pathLines } from '../core/exchange/handover/pathLine';
import type { Job } from '../core/job/document/job';
import { indexJob } from '../core/job/document/jobIndex';
import { tablesThat } from '../core/job/document/tables';
import { buildPlan } from '../core/trade/build/buildPlan';
import { PURPOSE_WORDS, type Purpose } from '../core/trade/people/people';
import { type ProofState, proofOf } from '../core/trade/testing/proof';
import { handoverHtml } from './handoverHtml';
import { pageAssets } from './pageAssets';

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

/** So much of a list is shown at once: a page for a phone. */
const MOST_SHOWN = 60;
/** The order is good enough soon: this is a list to tick, not a plan to choose. */
const LIMITS = stepLimits(2_000);

/**
 * The page that a link leads to. It needs no scripts, and holds what the link is for and nothing else of the job.
 */
export function linkPage(given: LinkPageGiven): string {
  const { job, root, about, purpose, rackId } = given;
  if (purpose === 'read') return handoverHtml(withoutPrivate(job), root, about);
  if (purpose === 'cabinet') return handoverHtml(cabinetOfJob(job, rackId ?? ''), root, about);
  return purpose === 'build' ? frame(given, buildList(given)) : frame(given, testList(given));
}

/** To read and trace it needs no contacts and no points that are open between the firm and its client. */
const PRIVATE = tablesThat((table) => table.private);
const withoutPrivate = (job: Job): Job => ({ ...job, ...Object.fromEntries(PRIVATE.map((table) => [table, {}])) });

const hash = (text: string): string => `'sha256-${createHash('sha256').update(text).digest('base64')}'`;
const MORE = `form{margin:0}main>ul,main>ol{list-style:none;padding:0}fieldset{border:1px solid var(--rule);background:var(--sheet);margin:0 0 .75rem;padding:.6rem}
legend{font-weight:700}button,input[type=text],input[type=search]{font:inherit;min-height:48px;padding:0 .8rem;border:1px solid var(--soft);background:var(--paper);color:inherit;max-width:100%}
button.main{background:var(--act);color:var(--paper);border-color:var(--act);font-weight:700}
.row{display:flex;flex-wrap:wrap;gap:.5rem;align-items:center}.row input[type=text]{flex:1 1 10rem;min-width:0}
.said{border:2px solid var(--act);padding:.6rem;font-weight:700}.wont{color:var(--wont);font-weight:700}`;

function frame({ job, root, purpose, whom, until, said }: LinkPageGiven, body: string): string {
  const style = pageAssets(root).style + MORE;
  const name = escapeXml(job.name);
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="default-src 'none'; style-src ${hash(style)}; form-action 'self'; base-uri 'none'">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${name}: ${PURPOSE_WORDS[purpose]}</title>
<style>${style}</style>
</head>
<body>
<header><h1>${name}</h1><p class="soft">${PURPOSE_WORDS[purpose]}, for ${escapeXml(whom)}, until ${escapeXml(until)}.</p></header>
<main>
${said === '' ? '' : `<p class="said" role="status">${escapeXml(said)}</p>`}
${body}
</main>
</body>
</html>
`;
}

function buildList({ job, today }: LinkPageGiven): string {
  const plan = buildPlan(today, job, LIMITS);
  const open = plan.planned.filter(({ key }) => (plan.tickOf.get(key)?.state ?? 'stuck') === 'stuck');
  if (open.length === 0)
    return `<p>${plan.steps.length === 0 ? 'Nothing is to be done: what stands today is the plan.' : 'All is done.'}</p>`;
  const forms = open.slice(0, MOST_SHOWN).map(({ key, entry: { step, action } }) => {
    const words = `${ACTION_WORDS[action]}${step.words}`;
    const where = [
      step.from && `out of ${step.from}`,
      step.to && `into ${step.to}`,
      !step.from && !step.to && step.place,
    ]
      .filter(Boolean)
      .join(', ');
    const who =
      step.who === 'electrician'
        ? '<p class="wont">For a licensed electrician, by local code. Do not do this yourself.</p>'
        : step.who === 'two'
          ? '<p class="wont">A lift for two.</p>'
          : '';
    const stuck = plan.tickOf.get(key)?.state === 'stuck' ? '<p class="wont">Stuck.</p>' : '';
    return `<li><form method="post"><input type="hidden" name="key" value="${escapeXml(key)}"><fieldset><legend>${escapeXml(words)}</legend>${where === '' ? '' : `<p>${escapeXml(where)}</p>`}${who}${stuck}<div class="row"><button class="main" name="state" value="done">Done</button><button name="state" value="stuck">Stuck</button><input type="text" name="note" maxlength="300" aria-label="Note on: ${escapeXml(words)}" placeholder="Note"></div></fieldset></form></li>`;
  });
  const left = open.length - forms.length;
  return `<h2>Next, in order</h2><ol>${forms.join('\n')}</ol>${left > 0 ? `<p class="soft">and ${left} more after these</p>` : ''}`;
}

/** What is to be done first stands first. */
const PROOF_ORDER: readonly ProofState[] = ['failed', 'not tested', 'incomplete', 'not judged', 'accepted', 'passed'];

function testList({ job, find }: LinkPageGiven): string {
  const lines = new Map(pathLines(job).map((line) => [line.label, line]));
  const words = find.trim().toLowerCase();
  const runs = indexJob(job)
    .runsInOrder.filter(({ label }) => label !== '')
    .map((run) => ({ run, line: lines.get(run.label), proof: proofOf(job, run) }));
  const found = runs
    .filter(({ run, line }) =>
      words === ''
        ? true
        : [run.label, run.room, run.outlet, run.device, line?.panel ?? ''].some((one) =>
            one.toLowerCase().includes(words),
          ),
    )
    .sort((a, b) => PROOF_ORDER.indexOf(a.proof.state) - PROOF_ORDER.indexOf(b.proof.state));
  const forms = found.slice(0, MOST_SHOWN).map(({ run, line, proof }) => {
    const label = escapeXml(run.label);
    const where = [run.room, run.outlet, line?.panel ? `${line.panel} port ${line['panel port']}` : ''].filter(Boolean);
    return `<li><form method="post"><input type="hidden" name="run" value="${escapeXml(run.id)}"><input type="hidden" name="find" value="${escapeXml(find)}"><fieldset><legend>${label}</legend><p>${escapeXml(where.join(', ') || 'no room, no port')} <span class="soft">${escapeXml(proof.state)}</span></p><div class="row"><button class="main" name="passed" value="1">Passed</button><button name="passed" value="0">Failed</button><input type="text" name="note" maxlength="300" aria-label="Note on ${label}" placeholder="Note"></div></fieldset></form></li>`;
  });
  const left = found.length - forms.length;
  return `<form method="get" role="search" class="row"><input type="search" name="find" value="${escapeXml(find)}" aria-label="Label, room, outlet or panel" placeholder="Label, room, outlet or panel"><button>Find</button></form>
<p class="soft">Passed here says that the wires go through from end to end, and no more. Values of a certification come in by the file of its tester.</p>
<h2>Runs, those to be tested first</h2>${forms.length === 0 ? '<p>No run is so.</p>' : `<ul>${forms.join('\n')}</ul>`}${left > 0 ? `<p class="soft">and ${left} more: find them by label or room</p>` : ''}`;
}
