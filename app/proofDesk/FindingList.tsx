import { clsx } from "clsx";
import { CircleAlert, Info, TriangleAlert } from "lucide-react";
import { type DesignedScene } from "../../core/document/design";
import { type Edit } from "../../core/document/edit";
import { type FormatName } from "../../core/placement/formats";
import { type Finding, SEVERITIES, type Severity } from "../../core/preflight/finding";
import { placeInWords } from "../../core/preflight/placeInWords";
import { useMayEdit } from "../components/useMayEdit";
import { RULES } from "../../core/preflight/rules";

const LOOKS: Readonly<Record<Severity, { readonly Icon: typeof Info; readonly look: string; readonly words: string }>> =
  {
    wrong: { Icon: CircleAlert, look: "text-wrong", words: "must be mended" },
    warning: { Icon: TriangleAlert, look: "text-warn", words: "to be looked at" },
    advice: { Icon: Info, look: "text-soft", words: "advice" },
  };

/** Everything that was found, what must be mended first, with what would mend it. */
export function FindingList({
  findings,
  scenes,
  slug,
  onGo,
  onEdit,
}: {
  findings: readonly Finding[];
  slug: string;
  scenes: readonly DesignedScene[];
  onGo: (scene: number, format: FormatName | null) => void;
  onEdit: (edit: Edit) => void;
}) {
  if (findings.length === 0)
    return (
      <>
        <p className="mb-2 text-[13.5px] text-ready">Nothing was found. It can be rendered.</p>
        <ReportLinks slug={slug} />
      </>
    );
  const counts = SEVERITIES.flatMap((severity) => {
    const count = findings.filter((one) => one.severity === severity).length;
    return count > 0 ? [`${count} ${LOOKS[severity].words}`] : [];
  });
  return (
    <>
      <p className="mb-2 text-[13px] text-soft">{counts.join(", ")}</p>
      <ul className="flex flex-col">
        {findings.map((finding, index) => (
          <FindingRow
            key={`${finding.rule}/${finding.where.scene}/${finding.where.format ?? ""}/${finding.where.slot ?? ""}/${index}`}
            {...{ finding, scenes, onGo, onEdit }}
          />
        ))}
      </ul>
      <ReportLinks slug={slug} />
    </>
  );
}

/** The findings of what is saved, to keep or to hand on. */
function ReportLinks({ slug }: { slug: string }) {
  const look = "font-semibold text-accent underline hover:text-ink";
  return (
    <p className="mt-3 border-t border-rule pt-3 text-[13px] text-soft">
      Report:{" "}
      <a className={look} href={`/promotions/${slug}/report/html`} download>
        page
      </a>
      ,{" "}
      <a className={look} href={`/promotions/${slug}/report/json`} download>
        JSON
      </a>
    </p>
  );
}

function FindingRow({
  finding: { rule, severity, where, words, cures },
  scenes,
  onGo,
  onEdit,
}: {
  finding: Finding;
  scenes: readonly DesignedScene[];
  onGo: (scene: number, format: FormatName | null) => void;
  onEdit: (edit: Edit) => void;
}) {
  const { Icon, look, words: kind } = LOOKS[severity];
  const at = scenes.findIndex(({ id }) => id === where.scene);
  const mayEdit = useMayEdit();
  const about = RULES.find(({ id }) => id === rule)?.about;
  return (
    <li className="flex gap-2.5 border-t border-rule py-2">
      <Icon aria-label={kind} size={16} className={clsx("mt-0.5 shrink-0", look)} />
      <div className="min-w-0 flex-1">
        <button
          type="button"
          onClick={() => onGo(Math.max(0, at), where.format)}
          className="block text-left text-[12px] text-soft underline-offset-2 hover:underline"
        >
          {placeInWords(where, scenes)}
        </button>
        <p className="text-[13.5px] leading-snug" title={about}>
          {words}
        </p>
        {(mayEdit ? cures : []).map((cure, index) => (
          <button
            key={index}
            type="button"
            onClick={() => onEdit(cure)}
            className="mt-1 mr-3 text-[13px] font-semibold text-accent underline hover:text-ink"
          >
            {cure.label}
          </button>
        ))}
      </div>
    </li>
  );
}
