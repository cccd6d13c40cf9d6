import { zodResolver } from '@hookform/resolvers/zod';
import { useState } from 'react';
import { useForm } from 'react-hook-form';
import { z } from 'zod';
import { AskSwitch } from '@/core/exchange/wire/switches';
import { Button } from '../kit/Button';
import { inputLook } from '../kit/Field';

const Typed = z.object({
  address: z.string().trim().min(2, 'expected an address such as 192.168.10.2').max(45),
  port: z.string().regex(/^\d{1,5}$/, 'expected a port such as 161'),
  version: z.enum(['2c', '3']),
  community: z.string(),
  user: z.string(),
  auth: z.enum(['none', 'sha', 'sha256', 'sha512']),
  authKey: z.string(),
  priv: z.enum(['none', 'aes', 'aes256']),
  privKey: z.string(),
});
type Typed = z.infer<typeof Typed>;

/** How a switch is asked: address, and what it wants to hear. Keys are used once and kept nowhere. */
export function AskSwitchForm({
  listed,
  onAsk,
}: {
  listed: readonly string[];
  onAsk: (given: AskSwitch) => Promise<void>;
}) {
  const [wrong, setWrong] = useState<string | null>(null);
  const { register, handleSubmit, watch, formState } = useForm<Typed>({
    resolver: zodResolver(Typed),
    defaultValues: {
      address: listed.find((one) => !one.includes('/')) ?? '',
      port: '161',
      version: '2c',
      community: '',
      user: '',
      auth: 'sha',
      authKey: '',
      priv: 'aes',
      privKey: '',
    },
  });
  const version = watch('version');
  const ask = handleSubmit(async (typed) => {
    const { address, port, community, user, auth, authKey, priv, privKey } = typed;
    const read = AskSwitch.safeParse({
      address,
      port: Number(port),
      as:
        typed.version === '2c'
          ? { version: '2c', community }
          : {
              version: '3',
              user,
              auth,
              authKey: auth === 'none' ? '' : authKey,
              priv,
              privKey: priv === 'none' ? '' : privKey,
            },
    });
    if (!read.success)
      return setWrong(
        read.error.issues
          .map(({ path, message }) => `${path.filter((one) => one !== 'as').join(' ')}: ${message}`)
          .join('; '),
      );
    setWrong(null);
    await onAsk(read.data);
  });
  const field = (name: keyof Typed, label: string, secret = false) => (
    <label className="grid text-[13px]">
      {label}
      <input
        {...register(name)}
        type={secret ? 'password' : 'text'}
        autoComplete="off"
        spellCheck={false}
        className={inputLook}
      />
      {formState.errors[name] && (
        <span className="font-semibold text-wont text-xs">{formState.errors[name]?.message}</span>
      )}
    </label>
  );
  const choice = (name: 'version' | 'auth' | 'priv', label: string, options: Record<string, string>) => (
    <label className="grid text-[13px]">
      {label}
      <select {...register(name)} className={inputLook}>
        {Object.entries(options).map(([value, words]) => (
          <option key={value} value={value}>
            {words}
          </option>
        ))}
      </select>
    </label>
  );
  if (listed.length === 0)
    return (
      <p className="text-[13px] text-soft">
        No real switch is on the list of those that may be asked: whoever starts the program names them in
        SHELF_SWITCHES, such as 192.168.10.0/24.
      </p>
    );
  return (
    <form className="grid gap-2" onSubmit={(event) => void ask(event)} aria-label="Ask a switch">
      <div className="grid grid-cols-2 items-end gap-2 sm:grid-cols-4">
        {field('address', 'Its address')}
        {field('port', 'Port')}
        {choice('version', 'Asked by', { '2c': 'version 2c, a community', '3': 'version 3, a user' })}
        {version === '2c' && field('community', 'Community', true)}
        {version === '3' && (
          <>
            {field('user', 'User')}
            {choice('auth', 'Who asks is shown by', {
              none: 'nothing',
              sha: 'SHA',
              sha256: 'SHA-256',
              sha512: 'SHA-512',
            })}
            {field('authKey', 'Its key', true)}
            {choice('priv', 'Hidden by', { none: 'nothing', aes: 'AES', aes256: 'AES-256' })}
            {field('privKey', 'Its key for hiding', true)}
          </>
        )}
        <Button type="submit" disabled={formState.isSubmitting}>
          {formState.isSubmitting ? 'Asking …' : 'Ask it'}
        </Button>
      </div>
      {wrong && (
        <p role="alert" className="font-semibold text-wont">
          {wrong}
        </p>
      )}
      <p className="text-[13px] text-soft">
        Only read, never set. May be asked: {listed.join(', ')}. What is typed here is used once and kept nowhere.
      </p>
    </form>
  );
}
