import type { ComponentProps, MouseEvent } from 'react';
import { goInJob } from './jobPath';

/** A link to another place of the same job, which is there without asking the server. */
export function JobLink({ href, onClick, ...rest }: ComponentProps<'a'> & { href: string }) {
  const go = (event: MouseEvent<HTMLAnchorElement>) => {
    onClick?.(event);
    // Another tab, or a download, is the browser's matter.
    const plain = event.button === 0 && !event.metaKey && !event.ctrlKey && !event.shiftKey && !event.altKey;
    if (event.defaultPrevented || !plain) return;
    event.preventDefault();
    goInJob(href);
  };
  return <a href={href} onClick={go} {...rest} />;
}
