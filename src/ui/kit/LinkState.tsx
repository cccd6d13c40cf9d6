import { counted } from '@/core/base/text/counted';
import { linkOf, useSession } from '../session/session';
import { useFilesOf } from '../session/useFiles';

/** How it stands with the server, and how much waits for it: steps, photographs and files. A press shows what. */
export function LinkState({ onShow }: { onShow: () => void }) {
  const ofSteps = useSession(linkOf);
  const steps = useSession((session) => session.pending.length);
  const stepsAside = useSession((session) => session.aside.length);
  const lasting = useSession((session) => session.lasting);
  const revision = useSession((session) => session.revision);
  const files = useFilesOf(useSession((session) => session.job.id));
  if (revision !== null) return null;
  const waiting = steps + files.waiting.length;
  const aside = stepsAside + files.aside.length;
  // Steps and files go ways of their own: what ails either is told.
  const link = ofSteps === 'saved' && files.waiting.length > 0 ? (files.trouble ?? 'saving') : ofSteps;
  const count = waiting > 0 ? `${waiting} ${waiting === 1 ? 'waits' : 'wait'}${lasting ? ', kept here' : ''}` : '';
  const words = {
    saved: 'Saved',
    saving: waiting > 1 ? `Saving ${waiting} …` : 'Saving …',
    unsure: 'Reaching the server …',
    away: `No way to the server${count ? `: ${count}` : ''}`,
    'signed-out': `Signed out${count ? `: ${count}` : ''}`,
    unwell: `Server unwell${count ? `: ${count}` : ''}`,
  }[link];
  const plain = link === 'saved' || link === 'saving' || link === 'unsure';
  return (
    <span className="flex items-center gap-1">
      <button
        type="button"
        onClick={onShow}
        title="What waits, and what was set aside"
        className={link === 'saved' ? 'max-sm:hidden' : ''}
      >
        <output
          className={`narrow text-xs ${link === 'saved' ? 'text-soft max-sm:sr-only' : plain ? 'text-soft' : 'rounded-sm bg-bite px-1.5 py-0.5 font-bold text-sheet'}`}
          data-testid="link"
        >
          {words}
        </output>
      </button>
      {aside > 0 && (
        <button
          type="button"
          onClick={onShow}
          className="narrow rounded-sm bg-wont px-1.5 py-0.5 font-bold text-sheet text-xs"
        >
          {files.aside.length > 0 ? aside : counted(aside, 'step')} set aside
        </button>
      )}
    </span>
  );
}
