import type { ZxcvbnFactory } from '@zxcvbn-ts/core';
import { type ComponentProps, useRef, useState } from 'react';
import { LEAST_STRENGTH, STRENGTH_WORDS } from '@/core/trade/people/people';
import { Field, Input } from '../kit/Field';

/** Read when somebody begins to type: what is tried first is a list of tens of thousands of words. */
let reading: Promise<ZxcvbnFactory> | null = null;
async function readGuesser(): Promise<ZxcvbnFactory> {
  const [core, words] = await Promise.all([import('@zxcvbn-ts/core'), import('@zxcvbn-ts/language-common')]);
  return new core.ZxcvbnFactory({ dictionary: words.dictionary, graphs: words.adjacencyGraphs });
}

/** A new password, and how soon it would be guessed. It is measured here and sent nowhere before it is set. */
export function NewPasswordField({
  label,
  help,
  wrong,
  ...input
}: { label: string; help: string; wrong?: string | undefined } & ComponentProps<'input'>) {
  const [strength, setStrength] = useState<number | null>(null);
  const latest = useRef('');
  const measure = async (password: string) => {
    latest.current = password;
    if (password === '') return setStrength(null);
    try {
      reading ??= readGuesser();
      const { score } = (await reading).check(password);
      if (latest.current === password) setStrength(score);
    } catch {
      // The server judges it all the same.
      reading = null;
    }
  };
  return (
    <div onInput={(event) => void measure((event.target as HTMLInputElement).value)} className="grid gap-1">
      <Field label={label} help={help} wrong={wrong}>
        {(ids) => <Input {...ids} {...input} type="password" autoComplete="new-password" />}
      </Field>
      <p role="status" className="flex min-h-6 items-center gap-2 text-[13px]">
        {strength !== null && (
          <>
            <meter
              min={0}
              max={4}
              low={LEAST_STRENGTH}
              high={LEAST_STRENGTH}
              optimum={4}
              value={strength}
              aria-label="How hard it is to guess"
              className="h-3 w-24"
            />
            <span className={strength < LEAST_STRENGTH ? 'font-semibold text-wont' : 'font-semibold'}>
              {STRENGTH_WORDS[strength]}
            </span>
          </>
        )}
      </p>
    </div>
  );
}
