import { z } from 'zod';
import { Id, line, name, whole } from '../../job/records/fields';

/** What a member of a firm is there for; each may do what those after it may. */
export const ROLES = ['owner', 'planner', 'installer', 'reader'] as const;
export type Role = (typeof ROLES)[number];
export const ROLE_WORDS: Record<Role, string> = {
  owner: 'Owner: members, and all else',
  planner: 'Planner: changes jobs',
  installer: 'Installer: ticks, tests, photographs',
  reader: 'Reader: looks and traces',
};
/** Somebody of another firm to whom one job is opened. */
export const GUEST_ROLES = ['planner', 'installer', 'reader'] as const;

/** What a link is for that somebody without an account is given. */
export const PURPOSES = ['read', 'build', 'tests', 'cabinet'] as const;
export type Purpose = (typeof PURPOSES)[number];
export const PURPOSE_WORDS: Record<Purpose, string> = {
  read: 'Read and trace',
  build: 'Tick the build',
  tests: 'Enter tests',
  cabinet: 'One cabinet’s door',
};
/** Links by which something is written: they end with the role of who made them. */
export const writes = (purpose: Purpose): boolean => purpose === 'build' || purpose === 'tests';
/** Longest life of a link, days. */
export const MOST_LINK_DAYS = 366;

const Login = line(80)
  .regex(/^[^\s]{3,}$/, 'expected at least 3 characters without blanks')
  .describe('name to sign in with');
/** Long rather than odd. From NIST SP 800-63B, 5.1.1.2: no rules of composition, at least 64 characters are taken. */
const Password = z
  .string()
  .min(12, 'expected at least 12 characters')
  .max(128, 'expected at most 128 characters')
  .refine((text) => new Set(text).size > 4, 'expected more than a few different characters');
const Token = z.string().regex(/^[A-Za-z0-9_-]{20,100}$/, 'expected a whole link');
const Code = z.string().trim().min(6).max(20);

/** How hard a password must be to guess, 0 to 4: 3 is beyond a hundred million guesses. */
export const LEAST_STRENGTH = 3;
export const STRENGTH_WORDS = [
  'Among the first that are tried',
  'Guessed within minutes',
  'Guessed within days',
  'Hard to guess',
  'Very hard to guess',
] as const;

/** @returns what is wrong with a password beside the name of its account; null where nothing is */
export const passwordFault = (password: string, names: readonly string[]): string | null =>
  names.some((one) => one.length > 2 && password.toLowerCase().includes(one.toLowerCase()))
    ? 'A password that holds your own name is tried first by everybody else.'
    : null;

export const SignIn = z.strictObject({
  login: z.string().trim().min(1).max(80),
  password: z.string().min(1).max(128),
  code: Code.or(z.literal('')).default(''),
});
export const Join = z.strictObject({ token: Token, login: Login, name: name(60), password: Password });
export const Reset = z.strictObject({ token: Token, password: Password });
export const NewPassword = z.strictObject({ before: z.string().max(128), password: Password });
/** A second factor: begun with the password, held with the first code, ended with the password. */
export const SecondFactor = z.discriminatedUnion('step', [
  z.strictObject({ step: z.literal('begin'), password: z.string().max(128) }),
  z.strictObject({ step: z.literal('hold'), sealed: z.string().max(600), code: Code }),
  z.strictObject({ step: z.literal('end'), password: z.string().max(128) }),
]);
/** The password, given once more. */
export const Proof = z.strictObject({ password: z.string().max(128) });
export const ProofAnswer = z.object({ proven: z.literal(true) });
export const NewPass = z.strictObject({ role: z.enum(ROLES) });
export const NewRole = z.strictObject({ role: z.enum(ROLES) });
export const NewGuest = z.strictObject({ login: z.string().trim().min(1).max(80), role: z.enum(GUEST_ROLES) });
export const Given = z.strictObject({ firm: z.string().trim().min(1).max(64), password: z.string().max(128) });
export const NewShare = z
  .strictObject({
    purpose: z.enum(PURPOSES),
    rackId: Id.nullable().default(null),
    whom: name(80),
    days: whole(1, MOST_LINK_DAYS),
  })
  .refine(
    ({ purpose, rackId }) => (purpose === 'cabinet') === (rackId !== null),
    'expected the cabinet that it is for',
  );
export const FirmName = z.strictObject({ name: name(80) });

/* What is answered. */

export const SignedIn = z.object({ next: z.enum(['in', 'code']) });
export const SignedOut = z.object({ out: z.boolean() });
export const SecondAnswer = z.object({
  sealed: z.string().optional(),
  secret: z.string().optional(),
  picture: z.string().optional(),
  codes: z.array(z.string()).optional(),
});
export const PassAnswer = z.object({ path: z.string(), until: z.string() });

const Device = z.object({
  id: z.string(),
  device: z.string(),
  madeAt: z.string(),
  seenAt: z.string(),
  here: z.boolean(),
});
export const Me = z.object({
  id: z.string(),
  login: z.string(),
  name: z.string(),
  second: z.boolean(),
  codesLeft: z.number(),
  firms: z.array(z.object({ id: z.string(), name: z.string(), role: z.enum(ROLES) })),
  firmId: z.string().nullable(),
  devices: z.array(Device),
});
export type Me = z.infer<typeof Me>;

export const Firm = z.object({
  id: z.string(),
  name: z.string(),
  members: z.array(z.object({ id: z.string(), name: z.string(), login: z.string(), role: z.enum(ROLES) })),
  /** Links that let in and nobody used yet: an invitation as something, or a new password of somebody. */
  open: z.array(
    z.object({
      id: z.string(),
      kind: z.enum(['join', 'reset']),
      role: z.enum(ROLES).nullable(),
      whom: z.string().nullable(),
      madeBy: z.string(),
      until: z.string(),
    }),
  ),
  /** Links for reading whose makers may not make links any more. */
  left: z.array(
    z.object({
      id: z.string(),
      jobId: z.string(),
      jobName: z.string(),
      purpose: z.enum(PURPOSES),
      whom: z.string(),
      madeBy: z.string(),
      until: z.string(),
    }),
  ),
  happenings: z.array(z.object({ who: z.string(), what: z.string(), at: z.string() })),
});
export type Firm = z.infer<typeof Firm>;

export const Share = z.object({
  id: z.string(),
  purpose: z.enum(PURPOSES),
  rackId: z.string().nullable(),
  whom: z.string(),
  madeBy: z.string(),
  /** Whether they may still make links of this job: one that writes ends with that. */
  makerThere: z.boolean(),
  madeAt: z.string(),
  until: z.string(),
  revokedAt: z.string().nullable(),
  usedAt: z.string().nullable(),
  uses: z.number(),
});
export type Share = z.infer<typeof Share>;
export const Shares = z.object({
  links: z.array(Share),
  guests: z.array(z.object({ id: z.string(), name: z.string(), role: z.enum(GUEST_ROLES) })),
});
export type Shares = z.infer<typeof Shares>;
/** The address of a new link is told once. */
export const ShareMade = Shares.extend({ path: z.string() });
