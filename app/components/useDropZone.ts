import { type DragEvent, useState } from "react";

/** Makes an element take dropped files; `over` says that some are held above it. */
export function useDropZone(onFiles: (files: FileList) => void) {
  const [over, setOver] = useState(false);
  return {
    over,
    zone: {
      onDragOver(event: DragEvent) {
        event.preventDefault();
        setOver(true);
      },
      onDragLeave: () => setOver(false),
      onDrop(event: DragEvent) {
        event.preventDefault();
        setOver(false);
        onFiles(event.dataTransfer.files);
      },
    },
  };
}
