import type { Page } from '@playwright/test';
import { demoText, go, openJobFile } from './job';

/** The office with two switches and an old map, as a job of its own, at one of its views. @returns its id */
export async function openOffice(page: Page, view: string): Promise<string> {
  const file = JSON.parse(demoText('tarnbrook-job.json'));
  file.job.id = `office-${Math.random().toString(36).slice(2)}`;
  const id = await openJobFile(page, JSON.stringify(file));
  await go(page, `/jobs/${id}/${view}`);
  return id;
}
