import type { FaultPart, Symptom } from '@/core/records/mend';

export const SYMPTOM_WORDS: Record<Symptom, string> = {
  dark: 'no link at all',
  slow: 'links slower than wanted',
  errors: 'links, with errors',
  'no power': 'no power over the cable',
  restarts: 'the device restarts',
  'half duplex': 'links at half duplex',
  'warm afternoons': 'fails on warm afternoons only',
};

export const PART_WORDS: Record<FaultPart, string> = {
  device: 'the device',
  'device-cord': 'the cord at the device',
  'outlet-jack': 'the jack at the outlet',
  cable: 'the cable in the wall',
  'panel-jack': 'the end at the panel',
  'patch-cord': 'the patch cord',
  port: 'the switch port',
  power: 'power over the cable',
  switch: 'the switch',
  uplink: 'an uplink',
  supply: 'what feeds the switch',
};
