import { besideCordsOf, patchCordsOf } from '../../job/document/cordKinds';
import type { Job } from '../../job/document/job';
import type { Reads } from '../../job/document/reads';
import type { PortSide } from '../../job/records/cord';
import { type Vouch, vouchedId } from '../../job/records/vouch';
import { partName } from '../power/dependencies/parts';
import { isSettled, PROOF_READS, type ProofState, proofs } from './proof';

/** What the gate rests on, the names of its things with it. */
export const GATE_READS = {
  ...PROOF_READS,
  gear: true,
  vouches: true,
  cords: true,
  plugs: true,
} as const satisfies Reads;

export const GATE_KINDS = ['run', 'cord', 'uplink', 'feed'] as const;
export type GateKind = (typeof GATE_KINDS)[number];
export type GateThing = {
  kind: GateKind;
  id: string;
  name: string;
  state: ProofState | 'changed' | 'signed off' | 'not signed off';
  words: string;
  /** Nothing of it keeps the job from being handed over. */
  open: boolean;
  vouch: Vouch | null;
};

const HOW: Record<Vouch['how'], string> = {
  switch: 'A switch shows it',
  eye: 'Looked at',
  tester: 'Tested',
  accepted: 'Accepted without a test',
};
const FIELD = { cord: 'cordId', uplink: 'cordId', feed: 'plugId' } as const;
const PART = { cord: 'cord', uplink: 'uplink', feed: 'plug' } as const;
type Vouched = keyof typeof FIELD;
/** Things of a kind that somebody has to stand for, by id. */
const THINGS = {
  cord: patchCordsOf,
  uplink: besideCordsOf,
  feed: (job: Job) => job.plugs,
} as const;

/** The side is named only where it is the rear: earlier versions knew no other than the front. */
const endWords = (gearId: string, port: number, side: PortSide): string =>
  `${gearId} ${port}${side === 'rear' ? ' rear' : ''}`;

/** What a cord, uplink or feed is now: who stands for it stands for this, and for nothing that it becomes later. */
export function standsAs(job: Job, kind: Vouched, id: string): string {
  if (kind === 'cord') {
    const cord = patchCordsOf(job)[id];
    return cord ? `${cord.panelId} ${cord.panelPort} ${cord.switchId} ${cord.switchPort}` : '';
  }
  if (kind === 'uplink') {
    const uplink = besideCordsOf(job)[id];
    return uplink
      ? `${endWords(uplink.fromId, uplink.fromPort, uplink.fromSide)} ${endWords(uplink.toId, uplink.toPort, uplink.toSide)}`
      : '';
  }
  const plug = job.plugs[id];
  return plug ? `${plug.gearId} ${plug.inlet} ${plug.feedId ?? plug.wallId ?? ''} ${plug.outlet}` : '';
}

/** Somebody who stands for a cord, uplink or feed as it is now. */
export const vouchFor = (
  job: Job,
  kind: Vouched,
  id: string,
  said: Pick<Vouch, 'id' | 'how' | 'by' | 'why' | 'at'>,
): Vouch => ({ cordId: null, plugId: null, ...said, [FIELD[kind]]: id, as: standsAs(job, kind, id) });

/** Everything that must be proven, explained or accepted by name before the job is handed over. */
export function gateOf(job: Job): GateThing[] {
  const vouched = new Map(Object.values(job.vouches).map((one) => [vouchedId(one), one]));
  const runs = proofs(job).map(
    (proof): GateThing => ({
      kind: 'run',
      id: proof.run.id,
      name: `Run ${proof.run.label}`,
      state: proof.state,
      words: proof.words,
      open: !isSettled(proof),
      vouch: null,
    }),
  );
  const things = (kind: Vouched): GateThing[] =>
    Object.keys(THINGS[kind](job))
      .sort()
      .map((id): GateThing => {
        const vouch = vouched.get(id) ?? null;
        const same = vouch !== null && vouch.as === standsAs(job, kind, id);
        const name = partName(job, { kind: PART[kind], id });
        if (vouch === null)
          return { kind, id, name, state: 'not signed off', words: 'Not signed off.', open: true, vouch };
        const by = `${HOW[vouch.how]}: ${vouch.by}${vouch.at ? `, ${vouch.at.replace('T', ' ')}` : ''}${vouch.why ? `; ${vouch.why}` : ''}.`;
        return same
          ? {
              kind,
              id,
              name,
              state: vouch.how === 'accepted' ? 'accepted' : 'signed off',
              words: by,
              open: false,
              vouch,
            }
          : { kind, id, name, state: 'changed', words: `It changed since. ${by}`, open: true, vouch };
      });
  return [...runs, ...things('cord'), ...things('uplink'), ...things('feed')];
}
