import { object, string } from "yup";
import { momentFormat } from "../../core/text/formatters";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { promotionBySlug } from "../../server/promotions/promotionStore";
import { keepRevision, keptVersions } from "../../server/promotions/revisions";
import { jsonOf } from "../../server/doors/readBody";
import type { Route } from "./+types/promotionVersions";

const wanted = object({
  name: string()
    .matches(/\S/, "A version that is kept needs a name.")
    .max(60, "A version's name has at most 60 characters.")
    .required("A version that is kept needs a name."),
});

/** The versions of a promotion that are kept whole. */
export async function loader({ request, params: { slug } }: Route.LoaderArgs) {
  const { scope, team } = await requirePerson(request);
  const { id } = await promotionBySlug(scope, slug);
  const when = momentFormat(team);
  const versions = await keptVersions(scope, id);
  return Response.json(
    { versions: versions.map(({ at, ...version }) => ({ ...version, when: when.format(at) })) },
    { headers: { "cache-control": "no-store" } },
  );
}

/** Keeps the promotion as it is saved now, under a name. */
export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, id: member } = await requireEditor(request);
  const said: unknown = await jsonOf(request).catch(() => null);
  try {
    const { name } = wanted.validateSync(said, { strict: true });
    const { id, revision, document } = await promotionBySlug(scope, slug);
    await keepRevision(scope, { promotion: id, revision, document, member, name });
    return Response.json({ revision });
  } catch (error) {
    if (error instanceof Error && error.name === "ValidationError")
      return Response.json({ problem: error.message }, { status: 422 });
    throw error;
  }
}
