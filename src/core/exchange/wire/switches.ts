import { z } from 'zod';

const secret = z.string().min(1).max(128);
/** How a switch is asked: what is typed is used once and kept nowhere. */
export const AskSwitch = z
  .strictObject({
    address: z.string().trim().min(2).max(45),
    port: z.number().int().min(1).max(65_535).default(161),
    as: z.discriminatedUnion('version', [
      z.strictObject({ version: z.literal('2c'), community: secret }),
      z.strictObject({
        version: z.literal('3'),
        user: z.string().min(1).max(32),
        auth: z.enum(['none', 'sha', 'sha256', 'sha512']),
        authKey: z.string().max(128).default(''),
        priv: z.enum(['none', 'aes', 'aes256']),
        privKey: z.string().max(128).default(''),
      }),
    ]),
  })
  .refine(({ as }) => as.version !== '3' || as.auth !== 'none' || as.priv === 'none', {
    message: 'nothing can be kept secret without saying who asks: choose how, too',
    path: ['as', 'auth'],
  })
  .refine(({ as }) => as.version !== '3' || as.auth === 'none' || as.authKey.length >= 8, {
    message: 'expected at least 8 characters',
    path: ['as', 'authKey'],
  })
  .refine(({ as }) => as.version !== '3' || as.priv === 'none' || as.privKey.length >= 8, {
    message: 'expected at least 8 characters',
    path: ['as', 'privKey'],
  });
export type AskSwitch = z.infer<typeof AskSwitch>;

export const SwitchAnswer = z.object({ walk: z.string(), values: z.number(), seconds: z.number() });
/** What may be asked from here: the owner's list, and whether simulated switches are offered. */
export const SwitchesHere = z.object({ listed: z.array(z.string()), simulated: z.boolean() });
export type SwitchesHere = z.infer<typeof SwitchesHere>;

export const SimulateSwitch = z.strictObject({
  gearId: z.string().max(64),
  faults: z.array(z.string().max(80)).max(60).default([]),
});
export const SimulatedSwitch = z.object({ address: z.string(), port: z.number(), community: z.string() });
