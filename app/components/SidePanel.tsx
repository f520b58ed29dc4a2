import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { Eye, X } from "lucide-react";
import { type ReactNode } from "react";
import { useMayEdit } from "./useMayEdit";

/** A sheet that slides over the right side of a page, with a head and one thing to work on. Esc closes it. */
export function SidePanel({
  title,
  onClose,
  wide = false,
  children,
}: {
  title: string;
  onClose: () => void;
  wide?: boolean;
  children: ReactNode;
}) {
  const mayEdit = useMayEdit();
  return (
    <Dialog open onClose={onClose} className="relative z-30">
      <div className="fixed inset-0 bg-ink/35" aria-hidden />
      <div className="fixed inset-y-0 right-0 flex max-w-full">
        <DialogPanel
          className={`flex h-full flex-col bg-card shadow-2xl ${wide ? "w-[760px]" : "w-[560px]"} max-w-full`}
        >
          <div className="flex items-center justify-between border-b border-rule px-6 py-3.5">
            <DialogTitle className="truncate font-heading text-lg font-semibold">{title}</DialogTitle>
            <button type="button" onClick={onClose} aria-label="Close" className="p-1 text-soft hover:text-ink">
              <X aria-hidden size={18} />
            </button>
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto px-6 py-5">
            {!mayEdit && (
              <p role="note" className="mb-4 flex items-center gap-1.5 text-sm text-soft">
                <Eye aria-hidden size={15} /> A reviewer looks, and changes nothing.
              </p>
            )}
            <fieldset disabled={!mayEdit} className="min-w-0">
              {children}
            </fieldset>
          </div>
        </DialogPanel>
      </div>
    </Dialog>
  );
}
