import { PlainPage } from './formParts';

/** A link that does not lead anywhere any more. */
export const LinkOver = () => (
  <PlainPage title="This link is over" back>
    <p className="mt-5 text-lg">It has been used, has expired, was withdrawn, or is incomplete. Ask for a new one.</p>
  </PlainPage>
);
