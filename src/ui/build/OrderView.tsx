import { learningSource, threePointSource } from '@/core/base/standards/buildMinutes';
import { citeFor } from '@/core/base/standards/cite';
import { counted } from '@/core/base/text/counted';
import { formatMinutes } from '@/core/base/units/minutes';
import { estimateWords } from '@/core/trade/build/estimate';
import { GradeMark } from '../kit/GradeMark';
import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { TakeawayLink } from '../kit/TakeawayLink';
import { Figure, Figures, Heading, Scroll } from '../kit/viewParts';
import { useSession } from '../session/session';
import { Helps, Lets, Pins } from './OrderChoices';
import { Alternatives, Paces } from './OrderFigures';
import { StepList } from './StepList';
import { TimeLanes } from './TimeLanes';
import { useBuild, usePapers } from './useBuild';

/** Steps on a time line, what is dark meanwhile, visits as sections; a step can be moved, and what that costs is seen. */
export function OrderView() {
  const papers = usePapers();
  const rules = useSession((session) => session.job.rules);
  const { busy } = useBuild();
  const { base } = useJobPath();
  const { plan, findings } = papers;
  const { order, range } = plan;
  const [worst] = findings;
  if (plan.steps.length === 0)
    return (
      <Scroll label="Order">
        <p className="max-w-[70ch]">
          Nothing is to be done: what stands today is the plan. Say at{' '}
          <JobLink className="underline" href={`${base}/build/terms`}>
            From what, when
          </JobLink>{' '}
          which version of this job stands today; what differs becomes steps, in the order that keeps most up.
        </p>
      </Scroll>
    );
  return (
    <Scroll label="Order">
      <div className="flex flex-wrap items-start justify-between gap-2">
        <Figures>
          <Figure name="Steps left">{plan.planned.length}</Figure>
          <Figure name="Work">{estimateWords(range)}</Figure>
          <Figure name="Dark, weighted minutes">
            {order.cost === null ? (
              <span className="text-wont">{order.proven ? 'no order' : 'none found in time'}</span>
            ) : (
              <>
                {order.cost.toFixed(0)}{' '}
                <span className={order.proven ? 'text-good' : 'text-bite'}>
                  {order.proven ? 'proven least' : `at least ${order.bound.toFixed(0)}`}
                </span>
              </>
            )}
          </Figure>
          {plan.freeCost !== null && (
            <Figure name="Pins cost">
              {order.cost === null ? (
                <span className="text-wont">{order.proven ? 'no order with them' : 'none found in time'}</span>
              ) : (
                Math.max(0, order.cost - plan.freeCost).toFixed(0)
              )}
            </Figure>
          )}
          <Figure name="Set aside">{order.parked}</Figure>
          <Figure name="Ends">{plan.endsAt?.replace('T', ' ') ?? 'no visit yet'}</Figure>
        </Figures>
        <span className="flex flex-wrap gap-2">
          {busy && (
            <span role="status" className="self-center text-[13px] text-soft">
              Solving anew …
            </span>
          )}
          <TakeawayLink of="build.pdf" />
        </span>
      </div>
      {findings.length > 0 && (
        <p className="flex flex-wrap items-center gap-x-2 text-[13px]">
          {worst && <GradeMark grade={worst.grade} />}
          <b>
            {counted(findings.length, 'thing')} {findings.length === 1 ? 'stands' : 'stand'} against it
          </b>
          <span className="text-soft">the gravest: {worst?.what} The docket lists them all.</span>
        </p>
      )}
      {order.cost === null && <Lets plan={plan} />}
      <Pins plan={plan} />
      <Helps />
      <TimeLanes plan={plan} />
      {plan.visits.map((visit) => (
        <section key={visit.visit.id} aria-label={visit.visit.name}>
          <Heading
            aside={
              <span className="text-[13px] text-soft">
                {visit.planned.length === 0
                  ? 'nothing fits'
                  : `${formatMinutes(visit.wholeMin)} of ${formatMinutes(visit.visit.minutes)}`}
                {visit.lastMin !== null &&
                  ` · last moment to go on: ${visit.lastMin < 0 ? 'none' : `${formatMinutes(visit.lastMin)} after the beginning`}`}
              </span>
            }
          >
            {visit.visit.name}, {visit.visit.on}, {visit.visit.from}
          </Heading>
          <StepList planned={visit.planned} all={plan.planned} />
        </section>
      ))}
      {plan.planned.some(({ visit }) => visit === null) && (
        <section aria-label="In no visit">
          <Heading>{plan.visits.length === 0 ? 'In order' : 'In no visit yet'}</Heading>
          <StepList planned={plan.planned.filter(({ visit }) => visit === null)} all={plan.planned} />
        </section>
      )}
      <Paces plan={plan} />
      <Alternatives />
      <p className="narrow text-soft text-xs">
        Minutes are rules of thumb until ticks correct them; each doubling of like work takes{' '}
        {Math.round(plan.cutover.learning * 100)} % of the time. {citeFor(learningSource, rules)};{' '}
        {citeFor(threePointSource, rules)}. Mains work and new circuits are for a licensed electrician, by local code.
      </p>
    </Scroll>
  );
}
