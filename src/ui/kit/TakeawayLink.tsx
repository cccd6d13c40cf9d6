import { Download } from 'lucide-react';
import { type Takeaway, type TakeawayId, takeawayKindWords, takeawayOf } from '@/core/exchange/formats/takeaways';
import { useSession } from '../session/session';
import { FileLink } from './Button';

/** Where a file of a job is made. */
export const takeawayPath = (jobId: string, id: TakeawayId, options?: Record<string, string>) =>
  `/api/jobs/${jobId}/files/${id}${options ? `?${new URLSearchParams(options)}` : ''}`;

/**
 * One of the files to take away, where it is wanted.
 * @param words in place of the catalogue's, where the page around it says the rest
 */
export function TakeawayLink({ of, words, options, main }: LinkProps) {
  const id = useSession((session) => session.job.id);
  const { words: full } = takeawayOf(of) as Takeaway;
  const kind = takeawayKindWords(of);
  return (
    <FileLink
      href={takeawayPath(id, of, options)}
      look={main ? 'main' : 'plain'}
      aria-label={words === '' ? `${full}, ${kind}` : undefined}
    >
      <Download size={15} aria-hidden /> {words === '' ? kind : `${words ?? full}, ${kind}`}
    </FileLink>
  );
}

type LinkProps = { of: TakeawayId; words?: string; options?: Record<string, string>; main?: boolean };
