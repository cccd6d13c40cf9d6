import { useState } from 'react';
import { Button } from '../kit/Button';
import { inputLook } from '../kit/Field';

/** A link that is shown once, to copy and give to somebody. */
export function CopyLink({ path, words }: { path: string; words: string }) {
  const [copied, setCopied] = useState(false);
  const whole = `${window.location.origin}${path}`;
  return (
    <div role="status" className="grid gap-2 border-2 border-strong bg-sheet p-3">
      <p className="font-semibold">{words}</p>
      <div className="flex flex-wrap gap-2">
        <textarea
          value={whole}
          readOnly
          rows={3}
          aria-label="The link"
          className={`${inputLook} min-w-56 flex-1 resize-none break-all font-mono text-xs`}
          onFocus={(event) => event.target.select()}
        />
        <Button
          onClick={() =>
            void navigator.clipboard?.writeText(whole).then(
              () => setCopied(true),
              () => undefined,
            )
          }
        >
          {copied ? 'Copied' : 'Copy'}
        </Button>
      </div>
    </div>
  );
}
