import type { Caution } from '@/core/mounting/cautions';
import { citeSource } from '@/core/standards/source';

/** What is to be said before the work is done, each with its source. */
export const Cautions = ({ cautions }: { cautions: readonly Caution[] }) => (
  <section aria-label="Cautions" className="mt-4">
    <h2 className="wide border-b font-bold">Cautions</h2>
    <ul className="mt-1 list-disc pl-5 text-[13px]">
      {cautions.map(({ words, source }) => (
        <li key={words}>
          {words} <span className="narrow text-soft text-xs">Source: {citeSource(source)}</span>
        </li>
      ))}
    </ul>
  </section>
);
