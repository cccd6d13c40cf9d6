import { Pin } from 'lucide-react';
import type { BuildPapers } from '@/core/trade/build/buildPapers';
import { Button } from '../kit/Button';
import { newRowId, useRows } from '../kit/useRows';
import { Heading } from '../kit/viewParts';
import { useBuild } from './useBuild';

/** Where there is no order: the single changes that would let it be done. */
export function Lets({ plan }: { plan: BuildPapers['plan'] }) {
  const { keep } = useRows();
  const { order, cutover } = plan;
  return (
    <section aria-label="What would let it be done">
      <Heading>No order: {order.proven ? 'the steps block each other' : 'none was found in the time'}</Heading>
      {order.lets.length === 0 ? (
        <p className="text-[13px]">No single change was found that lets it be done: park more, or plan other places.</p>
      ) : (
        <ul className="text-[13px]">
          {order.lets.map(({ words, parkLimit, stopgap }) => (
            <li key={words} className="flex flex-wrap items-center gap-2 border-b py-1">
              <span className="min-w-0 flex-1">{words}</span>
              {parkLimit !== null && (
                <Button onClick={() => keep({ table: 'cutovers', record: { ...cutover, parkLimit } })}>
                  Let {parkLimit} stand out
                </Button>
              )}
              {stopgap !== null && (
                <Button
                  onClick={() =>
                    keep({
                      table: 'stopgaps',
                      record: { id: newRowId('help'), ...stopgap, words: words.slice(0, 300) },
                    })
                  }
                >
                  Take it as a step
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
    </section>
  );
}

/** Helps of the hour that were taken, each to be given up. */
export function Helps() {
  const { job } = useBuild();
  const { drop } = useRows();
  const helps = Object.values(job.stopgaps);
  if (helps.length === 0) return null;
  return (
    <section aria-label="Helps of the hour">
      <Heading>Helps of the hour</Heading>
      <ul className="text-[13px]">
        {helps.map(({ id, words }) => (
          <li key={id} className="flex items-center gap-2 border-b py-0.5">
            <span className="min-w-0 flex-1">{words}</span>
            <Button look="quiet" onClick={() => drop('stopgaps', id)}>
              Give it up
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** What somebody wants before what, each to be let go. */
export function Pins({ plan }: { plan: BuildPapers['plan'] }) {
  const { job } = useBuild();
  const { drop } = useRows();
  const pins = Object.values(job.orderPins);
  const words = new Map(plan.steps.map((step) => [step.id, step.words]));
  if (pins.length === 0) return null;
  return (
    <section aria-label="Pins">
      <Heading>Pinned</Heading>
      <ul className="text-[13px]">
        {pins.map(({ id, first, next }) => (
          <li key={id} className="flex items-center gap-2 border-b py-0.5">
            <Pin size={14} aria-hidden />
            <span className="min-w-0 flex-1">
              {words.get(first) ?? first} <span className="text-soft">before</span> {words.get(next) ?? next}
            </span>
            <Button look="quiet" onClick={() => drop('orderPins', id)}>
              Let go
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
