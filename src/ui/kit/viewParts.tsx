import type { ReactNode } from 'react';

const STATES: Readonly<Record<string, { mark: string; look: string }>> = {
  enough: { mark: '○', look: 'text-good' },
  'nearly full': { mark: '◐', look: 'font-bold text-bite' },
  'too little': { mark: '●', look: 'font-bold text-wont' },
  'too warm': { mark: '●', look: 'font-bold text-wont' },
  'too loud': { mark: '●', look: 'font-bold text-wont' },
  proven: { mark: '○', look: 'text-good' },
  passed: { mark: '✓', look: 'text-good' },
  'signed off': { mark: '✓', look: 'text-good' },
  accepted: { mark: '◇', look: 'font-bold text-bite' },
  incomplete: { mark: '◐', look: 'font-bold text-bite' },
  changed: { mark: '◐', look: 'font-bold text-bite' },
  'not signed off': { mark: '?', look: 'text-soft' },
  failed: { mark: '●', look: 'font-bold text-wont' },
  'not tested': { mark: '?', look: 'text-soft' },
  'not judged': { mark: '?', look: 'font-bold text-bite' },
};

/** A verdict by mark and word, never by colour alone. */
export function StateMark({ state, words = state }: { state: string; words?: string }) {
  const { mark, look } = STATES[state] ?? { mark: '?', look: 'font-bold text-bite' };
  return (
    <span className={`whitespace-nowrap ${look}`}>
      <span aria-hidden>{mark}</span> {words}
    </span>
  );
}

/** What nobody said yet and a figure rests on. */
export function NotKnown({ of, things }: { of?: string; things: readonly string[] }) {
  if (things.length === 0) return null;
  return (
    <p className="text-[13px] text-bite">
      <b>Not known{of ? ` of ${of}` : ''}:</b> {things.join('; ')}.
    </p>
  );
}

/** A view of the station: it scrolls as a whole. */
export function Scroll({ label, children }: { label: string; children: ReactNode }) {
  const look = 'grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] content-start gap-4 overflow-auto px-3 py-2';
  return (
    // biome-ignore lint/a11y/noNoninteractiveTabindex: it scrolls
    <section tabIndex={0} aria-label={label} className={look}>
      {children}
    </section>
  );
}

export const Heading = ({ children, aside }: { children: ReactNode; aside?: ReactNode }) => (
  <div className="flex flex-wrap items-baseline gap-x-3 border-strong border-b">
    <h2 className="wide font-bold">{children}</h2>
    {aside}
  </div>
);

/** A figure with its name, in a row of such. */
export const Figure = ({ name, children }: { name: string; children: ReactNode }) => (
  <div className="min-w-24">
    <dt className="narrow text-soft text-xs">{name}</dt>
    <dd className="font-bold font-mono text-sm">{children}</dd>
  </div>
);
export const Figures = ({ children }: { children: ReactNode }) => (
  <dl className="flex flex-wrap gap-x-6 gap-y-1">{children}</dl>
);

export const round = (value: number, digits = 0): string =>
  Number.isFinite(value) ? value.toFixed(digits).replace(/^-(0(\.0+)?)$/, '$1') : '–';
