import { type DragEvent, useState } from "react";

/** The kind of what is dragged from one place of a page to another, by its key. */
export const CARRIED = "application/x-stencilcraft-slot";

/** Makes an element take dropped files, and what is dragged there from elsewhere on the page; `over` says that some are held above it. */
export function useDropZone({
  onFiles,
  onCarried,
}: {
  onFiles: (files: FileList) => void;
  onCarried?: (key: string) => void;
}) {
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
        const key = event.dataTransfer.getData(CARRIED);
        if (key !== "") onCarried?.(key);
        else onFiles(event.dataTransfer.files);
      },
    },
  };
}
