import { useState } from 'react';
import { ProofAnswer } from '@/core/trade/people/people';
import { Button } from '../kit/Button';
import { Field, Input } from '../kit/Field';
import { Sheet } from '../kit/Sheet';
import { askServer } from '../session/wireClient';
import { Wrong } from './formParts';
import { useProof } from './proof';

/** Asks for the password where something waits for it. */
export function ProofSheet() {
  const settle = useProof((state) => state.settle);
  const [wrong, setWrong] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  if (!settle) return null;
  const end = (given: boolean) => {
    setWrong(null);
    settle(given);
  };
  return (
    <Sheet
      open
      onClose={() => end(false)}
      title="Your password, once more"
      about="It is some time since you gave it here, and this changes what others may do."
    >
      <form
        className="grid max-w-sm gap-4"
        onSubmit={async (event) => {
          event.preventDefault();
          const body = Object.fromEntries(new FormData(event.currentTarget));
          setBusy(true);
          try {
            await askServer('/api/me/proof', ProofAnswer, { method: 'POST', body });
            end(true);
          } catch (fault) {
            setWrong((fault as Error).message);
          } finally {
            setBusy(false);
          }
        }}
      >
        <Field label="Your password">
          {(ids) => (
            <Input
              {...ids}
              name="password"
              type="password"
              required
              maxLength={128}
              autoComplete="current-password"
              autoFocus
            />
          )}
        </Field>
        <Wrong words={wrong} />
        <div>
          <Button type="submit" look="main" disabled={busy}>
            Go on
          </Button>
        </div>
      </form>
    </Sheet>
  );
}
