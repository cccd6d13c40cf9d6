import { readFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import type { Page } from '@playwright/test';

const axe = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');

/** Serious and critical findings of axe on the page as it stands. */
export async function findings(page: Page, only: string[] = []): Promise<string[]> {
  await page.evaluate(axe);
  return page.evaluate(async (rules) => {
    type Result = { violations: { id: string; impact: string; nodes: { html: string; failureSummary: string }[] }[] };
    const { violations } = await (window as unknown as { axe: { run: (options: object) => Promise<Result> } }).axe.run({
      resultTypes: ['violations'],
      ...(rules.length > 0 ? { runOnly: rules } : {}),
    });
    return violations
      .filter(({ impact }) => impact === 'serious' || impact === 'critical')
      .flatMap(({ id, nodes }) =>
        nodes.slice(0, 3).map((node) => `${id}: ${node.html.slice(0, 160)} ${node.failureSummary.slice(0, 200)}`),
      );
  }, only);
}
