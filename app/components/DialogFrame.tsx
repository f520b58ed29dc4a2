import { type ReactNode } from "react";
import { Dialog, DialogPanel, DialogTitle } from "@headlessui/react";
import { X } from "lucide-react";

/** A dialog over the page: its title with tools beside it, what it is about, and its buttons at the foot. */
export function DialogFrame({
  title,
  open = true,
  size,
  tools,
  foot,
  onClose,
  children,
}: {
  title: string;
  open?: boolean;
  size: string;
  tools?: ReactNode;
  foot?: ReactNode;
  onClose: () => void;
  children: ReactNode;
}) {
  return (
    <Dialog open={open} onClose={onClose} className="relative z-40">
      <div className="fixed inset-0 bg-ink/50" aria-hidden />
      <div className="fixed inset-0 flex items-center justify-center p-8">
        <DialogPanel className={`flex max-h-full w-full flex-col bg-card shadow-2xl ${size}`}>
          <div className="flex shrink-0 items-center gap-5 border-b border-rule px-5 py-3">
            <DialogTitle className="font-heading text-lg font-semibold">{title}</DialogTitle>
            <div className="ml-auto flex items-center gap-5">
              {tools}
              <button type="button" onClick={onClose} aria-label="Close" className="p-1 text-soft hover:text-ink">
                <X aria-hidden size={18} />
              </button>
            </div>
          </div>
          <div className="flex min-h-0 flex-1 flex-col">{children}</div>
          {foot && <div className="flex shrink-0 justify-end gap-3 border-t border-rule px-6 py-3">{foot}</div>}
        </DialogPanel>
      </div>
    </Dialog>
  );
}
