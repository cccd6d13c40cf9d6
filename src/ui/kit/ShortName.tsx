import { gearShortNames } from '@/core/job/gear/shortNames';
import { useSession } from '../session/session';

/** The short name of a device, as it stands on sheets, drawings and labels. */
export function ShortName({ gearId }: { gearId: string }) {
  const name = useSession(({ job }) => gearShortNames(job).get(gearId));
  return <b className="rounded-[2px] border border-strong bg-face px-1 font-mono text-xs leading-4">{name}</b>;
}
