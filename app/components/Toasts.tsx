import { type FocusEvent } from "react";
import { Toaster } from "sonner";

/** Short notices at the foot of a page, above whatever stands there. @param above pixels of the page's own foot */
export function Toasts({ above }: { above: number }) {
  return (
    <div onFocusCapture={unnoticed}>
      <Toaster
        position="bottom-center"
        offset={above + 16}
        toastOptions={{
          unstyled: true,
          classNames: {
            toast:
              "flex w-[356px] items-start gap-3 border border-ink bg-card px-4 py-3 font-sans text-[14px] text-ink shadow-lg",
            content: "min-w-0 flex-1",
            error: "border-wrong text-wrong",
            actionButton: "shrink-0 bg-ink px-3 py-1.5 text-[13px] font-semibold text-card cut",
          },
        }}
      />
    </div>
  );
}

/**
 * The package notes where the focus came from, and puts it back there when it leaves a notice: whoever walks through the page
 * by keyboard would come to the same two places again and again. Unnoticed, the focus goes on to what is next.
 */
const unnoticed = (event: FocusEvent): void => event.stopPropagation();
