import type { ExternalToast } from 'sonner';
import { createStore } from 'zustand';

export type Said = { tone: 'plain' | 'success' | 'info' | 'warning' | 'error'; words: string; options: ExternalToast };

/** What was said and is not shown yet. */
export const said = createStore<readonly Said[]>(() => []);

const say =
  (tone: Said['tone']) =>
  (words: string, options: ExternalToast = {}): void =>
    said.setState((before) => [...before, { tone, words, options }], true);

/** Say something in passing. What shows it is fetched when there is something to say. */
export const toast = Object.assign(say('plain'), {
  success: say('success'),
  info: say('info'),
  warning: say('warning'),
  error: say('error'),
});
