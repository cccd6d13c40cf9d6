import { type DragEvent, useState } from 'react';

const holdsFile = (event: DragEvent) => event.dataTransfer.types.includes('Files');

/** Let a file be dropped anywhere on an element. */
export function useDropFile(take: (file: File) => void) {
  const [over, setOver] = useState(false);
  return {
    over,
    handlers: {
      onDragOver: (event: DragEvent) => {
        if (!holdsFile(event)) return;
        event.preventDefault();
        setOver(true);
      },
      onDragLeave: (event: DragEvent) => {
        if (event.currentTarget === event.target) setOver(false);
      },
      onDrop: (event: DragEvent) => {
        setOver(false);
        const [file] = event.dataTransfer.files;
        if (!file) return;
        event.preventDefault();
        take(file);
      },
    },
  };
}
