import { useEffect, useRef, useState } from 'react';
import { Button } from './Button';

/** Between two looks at the picture, ms: a code is read within a blink and the phone stays cool. */
const EVERY_MS = 250;

/** Why there is no picture, in words. */
function cameraFault(fault: unknown): string {
  const name = fault instanceof Error ? fault.name : '';
  if (name === 'NotAllowedError') return 'The camera may not be used here: allow it in the browser, or type the label.';
  if (name === 'NotFoundError') return 'There is no camera here: type the label.';
  return 'The camera gives no picture: type the label.';
}

/**
 * The camera, until it has read a code.
 * @param onCode what the code says
 */
export function CameraScan({ onCode, onClose }: { onCode: (text: string) => void; onClose: () => void }) {
  const video = useRef<HTMLVideoElement>(null);
  const [wrong, setWrong] = useState<string | null>(null);
  const took = useRef(onCode);
  took.current = onCode;
  useEffect(() => {
    let stream: MediaStream | null = null;
    let timer: ReturnType<typeof setTimeout> | undefined;
    let over = false;
    const look = async () => {
      const picture = video.current;
      if (over || !picture) return;
      if (picture.readyState >= HTMLMediaElement.HAVE_CURRENT_DATA) {
        const { readCodes } = await import('./readCodes');
        const [code] = await readCodes(picture).catch(() => []);
        if (over) return;
        if (code !== undefined) return took.current(code);
      }
      timer = setTimeout(() => void look(), EVERY_MS);
    };
    const begin = async () => {
      try {
        if (!navigator.mediaDevices) throw new Error('no camera on an address that is not secure');
        stream = await navigator.mediaDevices.getUserMedia({ video: { facingMode: 'environment' }, audio: false });
        const picture = video.current;
        if (over || !picture) return stream.getTracks().forEach((track) => void track.stop());
        picture.srcObject = stream;
        await picture.play();
        await look();
      } catch (fault) {
        if (!over) setWrong(cameraFault(fault));
      }
    };
    void begin();
    return () => {
      over = true;
      clearTimeout(timer);
      for (const track of stream?.getTracks() ?? []) track.stop();
    };
  }, []);
  return (
    <div className="grid gap-1">
      {wrong ? (
        <p role="alert" className="font-semibold text-wont">
          {wrong}
        </p>
      ) : (
        <video
          ref={video}
          aria-label="What the camera sees: hold the code into it"
          playsInline
          muted
          className="max-h-72 w-full border-2 border-strong bg-black object-contain"
        />
      )}
      <Button big onClick={onClose}>
        Close the camera
      </Button>
    </div>
  );
}
