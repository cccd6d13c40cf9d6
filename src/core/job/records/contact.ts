import { z } from 'zod';
import { Id, line, name } from './fields';
import { byName, defineTable } from './table';

export const CONTACT_ROLES = ['client', 'installer', 'electrician', 'landlord', 'provider', 'other'] as const;
export type ContactRole = (typeof CONTACT_ROLES)[number];

/** Somebody to ask or to call about the site. */
export const Contact = z
  .strictObject({
    id: Id,
    name: name(60),
    role: z.enum(CONTACT_ROLES).default('other'),
    phone: line(40).default(''),
    note: line(200).default('').describe('when to call, what for'),
  })
  .meta({ id: 'Contact' });
export type Contact = z.infer<typeof Contact>;

export const contacts = defineTable({
  name: 'contacts',
  about: 'plan',
  private: true,
  stations: ['survey'],
  row: 'contact',
  one: 'contact',
  atMost: 200,
  schema: Contact,
  title: (row) => row.name,
  keys: [byName()],
});
