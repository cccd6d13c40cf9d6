'use client';

import { Button } from '../kit/Button';
import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { useView } from '../kit/useView';
import { ViewTabs } from '../kit/ViewTabs';
import { KitView } from './KitView';
import { NoticeView } from './NoticeView';
import { OrderView } from './OrderView';
import { PlayView } from './PlayView';
import { build } from './station';
import { TermsView } from './TermsView';
import { type Build, BuildContext, useMakeBuild } from './useBuild';
import { WorkView } from './WorkView';

/** Build: from today's cabinet to the new one, in the order that keeps people online. */
export function BuildStation() {
  const view = useView(build.views);
  const made = useMakeBuild();
  const { papers } = made;
  return (
    <BuildContext value={made}>
      <section aria-label="Build station" className="relative flex min-h-0 flex-1 flex-col">
        <ViewTabs station="build" views={build.views} now={view} />
        {view === 'terms' ? (
          <TermsView />
        ) : papers === null ? (
          <Waiting build={made} />
        ) : (
          <>
            {made.fault && <Fault build={made} />}
            {view === 'order' && <OrderView papers={papers} />}
            {view === 'kit' && <KitView papers={papers} />}
            {view === 'play' && <PlayView papers={papers} />}
            {view === 'work' && <WorkView papers={papers} />}
            {view === 'notice' && <NoticeView papers={papers} />}
          </>
        )}
      </section>
    </BuildContext>
  );
}

const Waiting = ({ build: made }: { build: Build }) =>
  made.fault ? (
    <Fault build={made} />
  ) : (
    <p role="status" className="p-4 text-soft">
      {made.today === undefined ? 'Reading what stands today …' : 'Bringing the steps into order …'}
    </p>
  );

function Fault({ build: { fault, again } }: { build: Build }) {
  const { base } = useJobPath();
  return (
    <p role="alert" className="flex flex-wrap items-center gap-3 border-wont border-b-2 px-3 py-2 font-semibold">
      {fault}
      <Button onClick={again}>Try again</Button>
      <JobLink href={`${base}/build/terms`} className="underline">
        From what, when
      </JobLink>
    </p>
  );
}
