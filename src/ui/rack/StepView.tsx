import { BuildContext, useMakeBuild } from '../build/useBuild';
import { WorkView } from '../build/WorkView';
import { Button } from '../kit/Button';

/** The next step of the build. */
export function StepView() {
  const made = useMakeBuild();
  const { papers, fault, today, again } = made;
  return (
    <BuildContext value={made}>
      {fault && (
        <p role="alert" className="font-semibold text-wont">
          {fault} <Button onClick={again}>Try again</Button>
        </p>
      )}
      {papers ? (
        <WorkView />
      ) : (
        !fault && (
          <p role="status">{today === undefined ? 'Reading what stands today …' : 'Bringing the steps into order …'}</p>
        )
      )}
    </BuildContext>
  );
}
