import { type ReactNode } from "react";
import { CircleAlert, CircleCheck, TriangleAlert } from "lucide-react";

const KINDS = {
  ready: { icon: CircleCheck, classes: "bg-ready-pale text-ready" },
  warn: { icon: TriangleAlert, classes: "bg-warn-pale text-warn" },
  wrong: { icon: CircleAlert, classes: "bg-wrong-pale text-wrong" },
} as const;

/** Something to know, said with an icon and words as well as a colour. */
export function Notice({
  kind,
  children,
  className = "",
}: {
  kind: keyof typeof KINDS;
  children: ReactNode;
  className?: string;
}) {
  const { icon: Icon, classes } = KINDS[kind];
  return (
    <div
      role={kind === "wrong" ? "alert" : "status"}
      className={`flex items-start gap-2 px-3 py-2 text-sm ${classes} ${className}`}
    >
      <Icon aria-hidden size={17} className="mt-px shrink-0" />
      <div>{children}</div>
    </div>
  );
}
