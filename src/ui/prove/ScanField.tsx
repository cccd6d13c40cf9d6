import { Camera } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../kit/Button';
import { CameraScan } from '../kit/CameraScan';
import { inputLook } from '../kit/Field';

/**
 * A label, typed or read by a hand scanner that types, taken by Enter; or its code, by the camera.
 * @param onScan says what is wrong, or null once it was taken
 */
export function ScanField({ onScan }: { onScan: (text: string) => string | null }) {
  const [text, setText] = useState('');
  const [looking, setLooking] = useState(false);
  const [wrong, setWrong] = useState<string | null>(null);
  const take = (code: string) => {
    const fault = onScan(code);
    setWrong(fault);
    setLooking(false);
  };
  return (
    <form
      className="grid gap-1"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        const fault = onScan(text.trim());
        setWrong(fault);
        if (fault === null) setText('');
      }}
    >
      <label className="grid text-[13px]">
        Label, or the code on it
        <span className="flex gap-2">
          <input
            value={text}
            onChange={(event) => setText(event.target.value)}
            autoComplete="off"
            spellCheck={false}
            enterKeyHint="go"
            className={`${inputLook} min-h-12 min-w-0 flex-1 font-mono`}
          />
          <Button big type="submit">
            Go to it
          </Button>
          <Button big aria-label="Scan it with the camera" aria-pressed={looking} onClick={() => setLooking(!looking)}>
            <Camera size={20} aria-hidden />
          </Button>
        </span>
      </label>
      {looking && <CameraScan onCode={take} onClose={() => setLooking(false)} />}
      {wrong && (
        <p role="alert" className="font-semibold text-wont">
          {wrong}
        </p>
      )}
    </form>
  );
}
