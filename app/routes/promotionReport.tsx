import { renderToStaticMarkup } from "react-dom/server";
import { formatsInOrder } from "../../core/document/formatList";
import { reportOf } from "../../core/preflight/report";
import { requirePerson } from "../../server/auth/sessions";
import { loadRenderInput } from "../../server/promotions/loadFacts";
import { preflight } from "../../server/promotions/preflight";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { ReportPage } from "../proofDesk/ReportPage";
import type { Route } from "./+types/promotionReport";

const TYPES: Readonly<Record<string, string>> = { html: "text/html; charset=utf-8", json: "application/json" };

/** What is found in a promotion as it is saved now, as a file to keep: a page, or JSON. */
export async function loader({ request, params: { slug, kind } }: Route.LoaderArgs) {
  const { scope } = await requirePerson(request);
  const type = TYPES[kind];
  if (!type) throw new Response("A report is a page (html) or data (json).", { status: 404 });
  const { document, revision } = await promotionBySlug(scope, slug);
  const { promotion, findings } = await preflight(await loadRenderInput(scope, document));
  const report = reportOf(findings, {
    promotion: document.name,
    revision,
    at: new Date().toISOString(),
    formats: formatsInOrder(document),
    scenes: promotion.scenes.map(({ template }) => template),
  });
  const body =
    kind === "json"
      ? JSON.stringify(report, null, 2)
      : `<!doctype html>${renderToStaticMarkup(<ReportPage report={report} />)}`;
  return new Response(body, {
    headers: { "content-type": type, "content-disposition": `attachment; filename="${slug}-findings.${kind}"` },
  });
}
