import { describe, expect, it } from 'vitest';
import { stepLimits } from '../../src/core/base/solve/limits';
import { cabinetOfJob, copyOfJob } from '../../src/core/exchange/copies/partOfJob';
import type { Job } from '../../src/core/job/document/job';
import { clashes } from '../../src/core/job/document/verify';
import { contacts } from '../../src/core/job/records/contact';
import { results } from '../../src/core/job/records/result';
import { buildPlan } from '../../src/core/trade/build/buildPlan';
import { WHO_CAUTIONS } from '../../src/core/trade/build/buildWords';
import type { Purpose } from '../../src/core/trade/people/people';
import { type LinkPageGiven, linkPage } from '../../src/print/linkPage';
import { ostermoor, quillback, tarnbrook } from '../support/jobs';
import { powered } from '../support/powered';

const given = (job: Job, purpose: Purpose, more: Partial<LinkPageGiven> = {}): string =>
  linkPage({
    job,
    today: null,
    root: process.cwd(),
    about: { version: 'Revision 1', at: '2026-11-27T18:30:00Z', address: '' },
    purpose,
    rackId: null,
    whom: 'Sam <b>',
    until: '2026-12-27',
    find: '',
    said: '',
    ...more,
  });

const withClient = (job: Job): Job => ({
  ...job,
  contacts: { c: contacts.make({ id: 'c', name: 'Wren Marlowe', role: 'client', phone: '555 0100' }) },
});

describe('the page of a link', () => {
  it('to read holds every run, and nobody who is to be called', () => {
    const html = given(withClient(powered()), 'read');
    expect(html).toContain('Port map');
    expect(html).not.toContain('Wren Marlowe');
  });

  it('of one cabinet holds no run that ends elsewhere', () => {
    const job = withClient(tarnbrook());
    const rackId = Object.keys(job.racks)[0] ?? '';
    const part = cabinetOfJob(job, rackId);
    expect(Object.keys(part.racks)).toEqual([rackId]);
    const landed = new Set(Object.values(part.landings).map(({ runId }) => runId));
    expect(Object.keys(part.runs).every((id) => landed.has(id))).toBe(true);
    expect(Object.keys(part.runs).length).toBeGreaterThan(0);
    expect(clashes(part)).toEqual([]);
    expect(given(job, 'cabinet', { rackId })).not.toContain('Wren Marlowe');
  });

  it('for tests lists those without a pass first, finds by label and room, and runs no script', () => {
    const job = withClient(quillback());
    const [first, second] = Object.values(job.runs).filter(({ label }) => label !== '');
    if (!first || !second) throw new Error('runs');
    const passed = results.make({ id: 'r', runId: first.id, passed: true });
    const html = given({ ...job, results: { r: passed } }, 'tests');
    expect(html.indexOf(`>${second.label}</legend>`)).toBeGreaterThan(0);
    const at = html.indexOf(`>${first.label}</legend>`);
    expect(at === -1 || at > html.indexOf(`>${second.label}</legend>`)).toBe(true);
    const found = given(job, 'tests', { find: second.label });
    expect(found).toContain(`>${second.label}</legend>`);
    expect(found).not.toContain('<script');
    expect(found).not.toContain('Wren Marlowe');
    expect(found).toContain('Sam &lt;b&gt;');
  });

  it('for the build lists steps in order, with the caution of each', () => {
    const html = given(ostermoor('plan'), 'build', { today: ostermoor('today') });
    expect(html).toContain('value="done"');
    expect(html).not.toContain('<script');
    const { planned } = buildPlan(ostermoor('today'), ostermoor('plan'), stepLimits(2_000));
    const steps = planned.slice(0, 60).map(({ entry }) => entry.step);
    const cautions = new Set(steps.flatMap(({ caution, who }) => [caution, WHO_CAUTIONS[who] ?? '']).filter(Boolean));
    expect(cautions.size).toBeGreaterThan(1);
    for (const caution of cautions) expect(html).toContain(caution);
  });
});

describe('a job from another', () => {
  it('takes the whole plan without what was done, or the cabinet only', () => {
    const job = powered();
    const made = { id: 'new', name: 'A new one' };
    const whole = copyOfJob(
      { ...job, results: { r: results.make({ id: 'r', runId: Object.keys(job.runs)[0] ?? '', passed: true }) } },
      { ...made, whole: true },
    );
    expect(whole).toMatchObject({ ...made, results: {} });
    expect(whole.runs).toEqual(job.runs);
    expect(clashes(whole)).toEqual([]);
    const cabinet = copyOfJob(job, { ...made, whole: false });
    expect(cabinet.runs).toEqual({});
    expect(cabinet.placements).toEqual(job.placements);
    expect(clashes(cabinet)).toEqual([]);
  });
});
