import type { CARRIES, ORIGINS, RUN_STATES, SCOPES } from '../../job/records/run';

/*
 * What lists say in their cells for what we have one word for, in English, German, French, Spanish and Dutch, in small
 * letters. Our own words are read beside these.
 */

/** What lists say for what a cable carries. */
export const CARRIES_WORDS: Record<string, (typeof CARRIES)[number]> = {
  data: 'ethernet',
  daten: 'ethernet',
  donnees: 'ethernet',
  données: 'ethernet',
  datos: 'ethernet',
  lan: 'ethernet',
  network: 'ethernet',
  fiber: 'fibre',
  lwl: 'fibre',
  glasfaser: 'fibre',
  fibra: 'fibre',
  glasvezel: 'fibre',
  koax: 'coax',
  coaxial: 'coax',
  tv: 'coax',
  phone: 'telephone',
  telefon: 'telephone',
  téléphone: 'telephone',
  telefono: 'telephone',
  teléfono: 'telephone',
  telefoon: 'telephone',
  lautsprecher: 'speaker',
  altavoz: 'speaker',
  luidspreker: 'speaker',
  audio: 'speaker',
};

/** For how far a run has come. */
export const STATE_WORDS: Record<string, (typeof RUN_STATES)[number]> = {
  planned: 'wanted',
  geplant: 'wanted',
  prévu: 'wanted',
  previsto: 'wanted',
  gepland: 'wanted',
  installed: 'pulled',
  gezogen: 'pulled',
  verlegt: 'pulled',
  tiré: 'pulled',
  posé: 'pulled',
  tendido: 'pulled',
  getrokken: 'pulled',
  passed: 'tested',
  ok: 'tested',
  geprüft: 'tested',
  gemessen: 'tested',
  testé: 'tested',
  probado: 'tested',
  getest: 'tested',
  fail: 'failed',
  bad: 'failed',
  defekt: 'failed',
  defekte: 'failed',
  défectueux: 'failed',
  averiado: 'failed',
  defect: 'failed',
};

/** For whether it was there before. */
export const ORIGIN_WORDS: Record<string, (typeof ORIGINS)[number]> = {
  existing: 'found',
  inherited: 'found',
  bestand: 'found',
  vorhanden: 'found',
  existant: 'found',
  existente: 'found',
  bestaand: 'found',
  neu: 'new',
  nouveau: 'new',
  nuevo: 'new',
  nieuw: 'new',
};

/** For whether it belongs to this job. */
export const SCOPE_WORDS: Record<string, (typeof SCOPES)[number]> = {
  jetzt: 'now',
  maintenant: 'now',
  ahora: 'now',
  nu: 'now',
  später: 'later',
  spaeter: 'later',
  'plus tard': 'later',
  'más tarde': 'later',
};
