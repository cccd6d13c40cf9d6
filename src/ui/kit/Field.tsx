import { type ComponentProps, type ReactNode, useId } from 'react';

export const inputLook =
  'w-full rounded-[3px] border border-strong bg-face px-2 py-1 text-ink placeholder:text-soft/80 disabled:opacity-50';

/** A labelled field with its unit, its help and what is wrong with it. */
export function Field({
  label,
  unit,
  help,
  wrong,
  children,
}: {
  label: string;
  unit?: string;
  help?: string;
  wrong?: string | undefined;
  children: (ids: { id: string; 'aria-describedby': string; 'aria-invalid': boolean }) => ReactNode;
}) {
  const id = useId();
  return (
    <div className="grid gap-0.5">
      <label htmlFor={id} className="font-semibold">
        {label}
        {unit && <span className="font-normal text-soft"> ({unit})</span>}
      </label>
      {children({ id, 'aria-describedby': `${id}-help`, 'aria-invalid': Boolean(wrong) })}
      <p id={`${id}-help`} className={wrong ? 'font-semibold text-wont' : 'text-soft text-xs'}>
        {wrong ?? help}
      </p>
    </div>
  );
}

export const Input = (props: ComponentProps<'input'>) => (
  <input {...props} className={`${inputLook} ${props.className ?? ''}`} />
);
export const Select = (props: ComponentProps<'select'>) => (
  <select {...props} className={`${inputLook} ${props.className ?? ''}`} />
);
