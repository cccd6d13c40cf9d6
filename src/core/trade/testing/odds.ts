import type { Job } from '../../job/document/job';
import { FAULT_PARTS, type FaultPart, type Symptom } from '../../job/records/mend';

/** Odds of each part by what is seen, of a hundred. Rules of thumb, no source: cord and device before the wall, jacks before the cable. */
const RULE: Record<Symptom, Partial<Record<FaultPart, number>>> = {
  dark: {
    device: 23,
    'device-cord': 22,
    'patch-cord': 14,
    'outlet-jack': 12,
    'panel-jack': 9,
    port: 8,
    cable: 4,
    power: 3,
    uplink: 2,
    switch: 2,
    supply: 1,
  },
  slow: {
    'device-cord': 26,
    'patch-cord': 14,
    'outlet-jack': 22,
    'panel-jack': 16,
    device: 10,
    cable: 7,
    port: 5,
  },
  errors: {
    'device-cord': 20,
    'patch-cord': 13,
    'outlet-jack': 22,
    'panel-jack': 16,
    cable: 16,
    device: 8,
    port: 5,
  },
  'no-power': {
    power: 26,
    port: 12,
    device: 20,
    'device-cord': 16,
    'outlet-jack': 10,
    'panel-jack': 8,
    'patch-cord': 6,
    cable: 2,
  },
  restarts: {
    power: 28,
    device: 22,
    'outlet-jack': 14,
    'panel-jack': 10,
    'device-cord': 10,
    cable: 5,
    'patch-cord': 6,
    supply: 5,
  },
  'half-duplex': { port: 45, device: 45, 'device-cord': 5, 'patch-cord': 5 },
  'warm-afternoons': {
    switch: 34,
    device: 24,
    power: 14,
    supply: 8,
    uplink: 6,
    'outlet-jack': 6,
    'panel-jack': 5,
    cable: 3,
  },
};

/** So many finds the rule of thumb weighs: with as many of one's own, both count alike. No source. */
const RULE_WEIGHS = 20;

/** How often each part was the fault where something was seen. */
export type Finds = Partial<Record<Symptom, Partial<Record<FaultPart, number>>>>;

export type Odds = {
  part: FaultPart;
  /** Share of all, 0 to 1. */
  share: number;
  /** Share by the rule of thumb, or as changed for this job. */
  rule: number;
  changed: boolean;
  /** So many times it was found. */
  found: number;
};

/** Faults found in a job, counted. */
export function findsOf(job: Job): Finds {
  const finds: Finds = {};
  for (const { symptom, part } of Object.values(job.mends)) {
    finds[symptom] ??= {};
    const of = finds[symptom];
    of[part] = (of[part] ?? 0) + 1;
  }
  return finds;
}

/**
 * How likely each part is the fault: the rule of thumb, or what the job has in its place, drawn towards what was found.
 * The mean of a Dirichlet distribution, whose prior is the rule.
 * @param elsewhere what was found in other jobs of the firm
 */
export function oddsOf(job: Job | null, symptom: Symptom, elsewhere: Finds = {}): Odds[] {
  const changes = new Map(
    Object.values(job?.partOdds ?? {}).flatMap((one) => (one.symptom === symptom ? [[one.part, one.weight]] : [])),
  );
  const here = job ? (findsOf(job)[symptom] ?? {}) : {};
  const rules = FAULT_PARTS.map((part) => changes.get(part) ?? RULE[symptom][part] ?? 0);
  const all = rules.reduce((sum, one) => sum + one, 0) || 1;
  const found = FAULT_PARTS.map((part) => (here[part] ?? 0) + (elsewhere[symptom]?.[part] ?? 0));
  const finds = found.reduce((sum, one) => sum + one, 0);
  return FAULT_PARTS.map((part, at) => {
    const rule = (rules[at] ?? 0) / all;
    return {
      part,
      rule,
      changed: changes.has(part),
      found: found[at] ?? 0,
      share: (rule * RULE_WEIGHS + (found[at] ?? 0)) / (RULE_WEIGHS + finds),
    };
  });
}
