/** What is sought in a job, and what is done with it. */
export type FindProps = {
  text: string;
  onText: (text: string) => void;
  onClose: () => void;
  onHandbook: (entry: string) => void;
};

/** Takes what is typed while the search itself is being fetched: no letter is lost, and none is taken for a key. */
export function FindMeanwhile({ text, onText, onClose }: FindProps) {
  return (
    <div className="fixed inset-0 z-40 bg-black/45">
      <div
        role="dialog"
        aria-label="Find and trace"
        className="fixed top-[8vh] left-1/2 z-50 w-[min(640px,94vw)] -translate-x-1/2 overflow-hidden rounded-md border border-strong bg-sheet shadow-xl"
      >
        <input
          // biome-ignore lint/a11y/noAutofocus: it was asked for to type into
          autoFocus
          aria-label="Find and trace"
          value={text}
          placeholder={FIND_PLACEHOLDER}
          className={FIND_INPUT}
          onChange={(event) => onText(event.target.value)}
          onKeyDown={(event) => event.key === 'Escape' && onClose()}
        />
      </div>
    </div>
  );
}

export const FIND_PLACEHOLDER = 'A label, room, port, device, view or formula';
export const FIND_INPUT = 'w-full border-b bg-face px-4 py-3 text-lg outline-none';
