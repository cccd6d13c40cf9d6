import { counted } from '@/core/base/text/counted';
import { KIT_STATES, kitItems } from '@/core/job/records/kitItem';
import { allThereOn } from '@/core/trade/build/findings';
import { isThere, type KitLine } from '@/core/trade/build/kit';
import { idFor } from '@/core/trade/build/tickId';
import { CommitField, CommitSelect } from '../kit/CommitField';
import { NumberField } from '../kit/NumberField';
import { TakeawayLink } from '../kit/TakeawayLink';
import { useRows } from '../kit/useRows';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';
import { todayHere } from '../session/today';
import { usePapers } from './useBuild';

const STATE_WORDS = { missing: 'missing', ordered: 'ordered', 'at-hand': 'at hand', 'in-van': 'in the van' } as const;

/** All parts and tools, counted; where each is; what waits for what is not there. */
export function KitView() {
  const { kit, plan } = usePapers();
  const parts = kit.filter(({ kind }) => kind === 'part');
  const tools = kit.filter(({ kind }) => kind === 'tool');
  const priced = parts.filter(({ priceMinor }) => priceMinor !== null);
  const missing = kit.filter((line) => !isThere(line));
  const waiting = new Set(missing.filter(({ kind }) => kind === 'part').flatMap(({ steps }) => steps));
  const free = plan.planned.filter(({ entry }) => !waiting.has(entry.step.id)).length;
  return (
    <Scroll label="Kit">
      <div className="flex flex-wrap items-start justify-between gap-2">
        <Figures>
          <Figure name="There">
            {kit.length - missing.length} of {kit.length}
          </Figure>
          <Figure name="Steps that wait for parts">{plan.planned.length - free}</Figure>
          <Figure name="Steps that can go on">{free}</Figure>
          <Figure name="All parts there">{allThereOn(parts, todayHere()) ?? 'nobody knows when'}</Figure>
          <Figure name="Price of the parts">
            {priced.length < parts.length ? 'at least ' : ''}
            {(priced.reduce((sum, { priceMinor }) => sum + (priceMinor ?? 0), 0) / 100).toFixed(2)}
            {priced.length < parts.length && (
              <span className="font-normal text-soft">
                {' '}
                ({counted(parts.length - priced.length, 'price')} not known)
              </span>
            )}
          </Figure>
        </Figures>
        <span className="flex flex-wrap gap-2">
          <TakeawayLink of="kit.csv" />
          <TakeawayLink of="kit.pdf" />
        </span>
      </div>
      {kit.length === 0 && <p>Nothing is needed: there is nothing to do.</p>}
      <Lines title="Parts" lines={parts} />
      <Lines title="Tools" lines={tools} />
      <p className="narrow text-soft text-xs">
        Counted from what the stations say; spares and packs are rules of thumb. A price that is not known is not
        nothing.
      </p>
    </Scroll>
  );
}

const countWords = ({ count, unit, atLeast, spare }: KitLine): string =>
  `${atLeast ? 'at least ' : ''}${unit === 'm' ? `${count.toFixed(1)} m` : count}${spare > 0 ? ` + ${spare}` : ''}`;

function Lines({ title, lines }: { title: string; lines: readonly KitLine[] }) {
  const { keep } = useRows();
  if (lines.length === 0) return null;
  return (
    <section aria-label={title}>
      <Heading>{title}</Heading>
      <ul className="text-[13px]">
        {lines.map((line) => {
          const record = line.status ?? kitItems.make({ id: idFor('kit', line.item), item: line.item });
          const change = (changes: Partial<typeof record>) =>
            keep({ table: 'kitItems', record: { ...record, ...changes } });
          const there = isThere(line);
          return (
            <li
              key={line.item}
              className="grid grid-cols-2 items-center gap-x-3 gap-y-1 border-b py-1 sm:grid-cols-[minmax(0,2fr)_6rem_minmax(0,1fr)_4.5rem_8rem_8.5rem_6rem]"
            >
              <span className="col-span-2 min-w-0 sm:col-span-1">
                <span aria-hidden className={there ? 'text-good' : 'font-bold text-bite'}>
                  {there ? '○' : '●'}
                </span>{' '}
                <b>{line.item}</b>
                {line.steps.length > 0 && !there && (
                  <span className="text-soft">
                    {' '}
                    · {counted(line.steps.length, 'step')} {line.steps.length === 1 ? 'waits' : 'wait'}
                  </span>
                )}
                {line.leadDays !== null && !there && (
                  <span className="text-soft"> · {counted(line.leadDays, 'day')} to come</span>
                )}
              </span>
              <b className="font-mono">{countWords(line)}</b>
              <span className="text-soft">
                {line.kind === 'tool' ? '' : `${line.packs.count} × ${line.packs.words}`}
              </span>
              <NumberField
                label={`So much of ${line.item} is there`}
                hideLabel
                empty
                placeholder="have"
                value={record.have}
                onCommit={(have) => change({ have })}
              />
              <CommitSelect
                label={`Where ${line.item} is`}
                hideLabel
                value={record.state}
                options={KIT_STATES.map((value) => ({ value, words: STATE_WORDS[value] }))}
                onCommit={(state) => change({ state: state as typeof record.state })}
              />
              {record.state === 'ordered' ? (
                <CommitField
                  label={`Day on which ${line.item} comes`}
                  hideLabel
                  type="date"
                  value={record.due ?? ''}
                  onCommit={(due) => (change({ due: due || null }) ? null : 'Expected a day.')}
                />
              ) : (
                <span />
              )}
              {line.kind === 'part' ? (
                <NumberField
                  label={`Price of one ${line.packs.words} of ${line.item}`}
                  hideLabel
                  empty
                  placeholder={line.priceMinor === null ? 'price' : (line.priceMinor / 100).toFixed(2)}
                  value={record.priceMinor === null ? null : record.priceMinor / 100}
                  onCommit={(price) => change({ priceMinor: price === null ? null : Math.round(price * 100) })}
                />
              ) : (
                <span />
              )}
            </li>
          );
        })}
      </ul>
    </section>
  );
}
