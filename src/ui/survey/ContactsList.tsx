import { Trash2 } from 'lucide-react';
import { type FormEvent, useState } from 'react';
import { naturalOrder } from '@/core/base/text/naturalOrder';
import { CONTACT_ROLES, type ContactRole, contacts } from '@/core/job/records/contact';
import { Button } from '../kit/Button';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { Input } from '../kit/Field';
import { newRowId, useRows } from '../kit/useRows';
import { useSession } from '../session/session';

const ROLES = CONTACT_ROLES.map((value) => ({ value, words: value }));

/** People to ask or to call about the site. */
export function ContactsList() {
  const rows = useSession((session) => session.job.contacts);
  const { keep, drop } = useRows();
  const [name, setName] = useState('');
  const people = Object.values(rows).sort((a, b) => naturalOrder(a.name, b.name));
  const add = (event: FormEvent) => {
    event.preventDefault();
    if (keep({ table: 'contacts', record: contacts.make({ id: newRowId('contact'), name }) })) setName('');
  };
  return (
    <section aria-label="People">
      <h2 className="wide mb-1 border-strong border-b font-bold">People</h2>
      <form className="mb-2 flex gap-2" onSubmit={add}>
        <Input
          aria-label="Name of a new contact"
          value={name}
          maxLength={60}
          placeholder="who to ask or to call about the site"
          onChange={(event) => setName(event.target.value)}
        />
        <Button type="submit" look="main" disabled={name.trim() === ''}>
          Add
        </Button>
      </form>
      <ul>
        {people.map((one) => {
          const change = (changes: Partial<typeof one>) => keep({ table: 'contacts', record: { ...one, ...changes } });
          const field = (label: string, of: 'name' | 'phone' | 'note') => (
            <CommitField
              label={label}
              value={one[of]}
              onCommit={(text) => (change({ [of]: text.trim() }) ? null : 'It could not be taken.')}
            />
          );
          return (
            <li
              key={one.id}
              className="grid grid-cols-2 items-end gap-2 border-b py-1.5 sm:grid-cols-[1.2fr_1fr_1fr_1.4fr_auto]"
            >
              {field('Name', 'name')}
              <CommitSelect
                label="Role"
                value={one.role}
                options={ROLES}
                onCommit={(role) => change({ role: role as ContactRole })}
              />
              {field('Phone', 'phone')}
              {field('Note', 'note')}
              <Button
                look="quiet"
                className="px-1 text-soft"
                aria-label={`Remove ${one.name}`}
                onClick={() => drop('contacts', one.id)}
              >
                <Trash2 size={15} aria-hidden />
              </Button>
            </li>
          );
        })}
        {people.length === 0 && <li className="text-soft">Nobody is listed yet.</li>}
      </ul>
    </section>
  );
}
