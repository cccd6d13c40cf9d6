import type { ReactNode } from 'react';
import { Button } from '../kit/Button';
import { JobLink } from '../kit/JobLink';
import { useJobPath } from '../kit/jobPath';
import { type Build, BuildContext, useMakeBuild } from './useBuild';

/** Around the views of the build: its plan is made once for all of them. From what and when can be said before there is one. */
export function BuildFrame({ view, children }: { view: string; children: ReactNode }) {
  const made = useMakeBuild();
  const isShown = view === 'terms' || made.papers !== null;
  return (
    <BuildContext value={made}>
      {isShown ? (
        <>
          {view !== 'terms' && made.fault && <Fault build={made} />}
          {children}
        </>
      ) : (
        <Waiting build={made} />
      )}
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
