import { PlainPage } from './formParts';

/** A link that does not lead anywhere any more. */
export const LinkOver = () => (
  <PlainPage title="This link is over" back>
    <p className="mt-5 text-lg">
      It was used already, its time is over, it was withdrawn, or it is not whole. Ask for another one.
    </p>
  </PlainPage>
);
