import { existsSync } from 'node:fs';
import { type Browser, chromium } from '@playwright/test';

/** Debian's Chromium, with what a closed network and root need. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};

export function openBrowser(): Promise<Browser> {
  if (!existsSync(CHROMIUM.executablePath)) throw new Error('Chromium is not installed: bin/test does that.');
  return chromium.launch(CHROMIUM);
}
