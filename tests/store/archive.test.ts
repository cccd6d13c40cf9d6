import { randomUUID } from 'node:crypto';
import { strToU8, zipSync } from 'fflate';
import { beforeAll, describe, expect, it } from 'vitest';
import { writeJobFile } from '../../src/core/exchange/formats/jobFile';
import { CableKind } from '../../src/core/job/records/cableKind';
import { readArchive, writeArchive } from '../../src/print/jobArchive';
import { getJobs, takeInJob } from '../../src/server/jobs';
import { makeTemplate, templateFor, templateNews } from '../../src/server/templates';
import type { Store } from '../../src/store/openStore';
import { demoText, quillback } from '../support/jobs';
import { freshStore } from './freshStore';

const AT = '2026-11-27T18:30:00Z';

describe('all jobs as one archive', () => {
  it('come back as they were, those of an earlier format too', () => {
    const texts = [
      { id: 'quillback', name: 'Quillback', text: writeJobFile(quillback()) },
      // Written by the first form of the file.
      { id: 'marrowby', name: 'Marrowby House', text: demoText('marrowby-job.json') },
    ];
    expect(JSON.parse(texts[1]?.text ?? '')).toMatchObject({ version: 1 });
    const read = readArchive(writeArchive(texts, AT));
    expect(read?.map(({ text }) => text)).toEqual(texts.map(({ text }) => text));
    expect(writeArchive(texts, AT)).toEqual(writeArchive(texts, AT));
  });

  it('is no archive without its list, and a broken one says so', () => {
    expect(readArchive(zipSync({ 'job.json': strToU8('{}') }))).toBeNull();
    const whole = writeArchive([{ id: 'a', name: 'A', text: '{}' }], AT);
    expect(() => readArchive(whole.subarray(0, whole.length - 30))).toThrow(/broken archive/);
    const list = { format: 'good-shelf-archive', version: 1, at: AT, jobs: [{ file: 'jobs/b.json', name: 'B' }] };
    expect(() => readArchive(zipSync({ 'archive.json': strToU8(JSON.stringify(list)) }))).toThrow(/lacks jobs\/b.json/);
    const out = { ...list, jobs: [{ file: '../b.json', name: 'B' }] };
    expect(() => readArchive(zipSync({ 'archive.json': strToU8(JSON.stringify(out)) }))).toThrow(/jobs\[0\]\.file/);
  });
});

describe('a template', () => {
  let store: Store;
  beforeAll(async () => {
    ({ store } = await freshStore('archive'));
  });

  it('is one at most, and its news are offered and not forced', async () => {
    const keep = async () => (await takeInJob(store, writeJobFile({ ...quillback(), id: `job-${randomUUID()}` }))).id;
    const [one, two] = [await keep(), await keep()];
    await makeTemplate(store, one, true);
    await makeTemplate(store, two, true);
    expect(await templateFor(store, null)).toMatchObject({ id: two });
    expect(await templateNews(store, one)).toMatchObject({ template: two, news: [] });
    await makeTemplate(store, two, false);
    expect(await templateFor(store, null)).toBeNull();
    const kind = CableKind.parse({ id: 'own', name: 'Our own cable', diameterMm: 6.1 });
    const dear = { ...quillback(), id: `job-${randomUUID()}`, cableKinds: { own: kind } };
    const { id } = await takeInJob(store, writeJobFile(dear));
    await makeTemplate(store, id, true);
    const { news } = await templateNews(store, one);
    expect(news.map(({ words }) => words)).toEqual(['Kinds of cable']);
    expect(await templateNews(store, id)).toMatchObject({ news: [] });
    expect((await getJobs(store)).jobs.length).toBe(3);
  });
});
