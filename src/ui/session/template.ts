import { useEffect, useState } from 'react';
import { TemplateAnswer } from '@/core/exchange/wire/newJobs';
import { useSession } from './session';
import { askServer } from './wireClient';

/** The firm's template as this job sees it; null until it is known, and where there is nothing to ask. */
export function useTemplate() {
  const jobId = useSession((session) => session.job.id);
  const url = `/api/jobs/${jobId}/template`;
  const [template, setTemplate] = useState<TemplateAnswer | null>(null);
  useEffect(() => {
    let here = true;
    // Without the network, and for those who may not change it, there is nothing to offer.
    askServer(url, TemplateAnswer).then(
      (next) => here && setTemplate(next),
      () => undefined,
    );
    return () => {
      here = false;
    };
  }, [url]);
  return { url, template, setTemplate };
}
