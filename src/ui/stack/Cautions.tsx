import { citeFor } from '@/core/base/standards/cite';
import type { Caution } from '@/core/trade/rack/mounting/cautions';
import { useSession } from '../session/session';

/** What is to be said before the work is done, each with its source. */
export function Cautions({ cautions }: { cautions: readonly Caution[] }) {
  const rules = useSession((session) => session.job.rules);
  return (
    <section aria-label="Cautions" className="mt-4">
      <h2 className="wide border-b font-bold">Cautions</h2>
      <ul className="mt-1 list-disc pl-5 text-[13px]">
        {cautions.map(({ words, source }) => (
          <li key={words}>
            {words} <span className="narrow text-soft text-xs">Source: {citeFor(source, rules)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}
