import type { Carries } from '../../job/records/run';

/** What a cable carries by its own words; null where they tell nothing. */
export function carriesOfCable(cable: string): Carries | null {
  if (/\b(?:rg-?\s?\d+|coax|koax|triax|sat)/i.test(cable)) return 'coax';
  if (/\b(?:om[1-5]|os[12]|fib(?:re|er|ra)|lwl|glasfaser|glasvezel|simplex|duplex lc)\b/i.test(cable)) return 'fibre';
  if (/speaker|lautsprecher|haut-?parleur|altavoz|luidspreker|\b(?:12|14|16|18)\/[24]\b/i.test(cable)) return 'speaker';
  if (/telephone|t[eé]l[eé]phone|telefon|\bcw\s?1308\b|\bj-y\b/i.test(cable)) return 'telephone';
  return /\bcat(?:egory)?\.?\s*\d|\b[usf]+\/?[uf]tp\b/i.test(cable) ? 'ethernet' : null;
}
