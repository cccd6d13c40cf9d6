import { Copy } from 'lucide-react';
import { darkWords, outageNotice } from '@/core/trade/build/notices';
import { Button } from '../kit/Button';
import { TakeawayLink } from '../kit/TakeawayLink';
import { Heading, Scroll } from '../kit/viewParts';
import { toast } from '../session/toast';
import { useBuild, usePapers } from './useBuild';

/** Who is without what, from when to when: as text to send, and for calendars. */
export function NoticeView() {
  const { plan } = usePapers();
  const { job } = useBuild();
  const text = outageNotice(job, plan);
  const copy = () =>
    navigator.clipboard.writeText(text).then(
      () => toast.success('The notice is copied.'),
      () => toast.error('The browser does not let it be copied: mark the text instead.'),
    );
  return (
    <Scroll label="Telling people">
      <div className="flex flex-wrap gap-2">
        <Button look="main" onClick={() => void copy()}>
          <Copy size={15} aria-hidden /> Copy the notice
        </Button>
        <TakeawayLink of="outage.txt" />
        <TakeawayLink of="visits.ics" />
      </div>
      <section aria-label="Outages">
        <Heading>Who is without what</Heading>
        {plan.dark.length === 0 ? (
          <p className="text-[13px] text-soft">Nobody: nothing goes down.</p>
        ) : (
          <ul className="text-[13px]">
            {plan.dark.flatMap(darkWords).map((words) => (
              <li key={words} className="border-b py-0.5">
                {words}
              </li>
            ))}
          </ul>
        )}
      </section>
      <section aria-label="Notice">
        <Heading>The notice</Heading>
        <pre className="mt-1 max-w-[80ch] whitespace-pre-wrap border border-strong bg-sheet p-3 font-sans text-[13px]">
          {text}
        </pre>
      </section>
    </Scroll>
  );
}
