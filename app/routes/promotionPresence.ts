import { boolean, object, string } from "yup";
import { requirePerson } from "../../server/auth/sessions";
import { tellTeam } from "../../server/events/teamEvents";
import { jsonOf } from "../../server/doors/readBody";
import type { Route } from "./+types/promotionPresence";

const body = object({
  page: string().uuid().required(),
  at: string().max(130).defined(),
  here: boolean().required(),
});

/** A page says that its person is at a promotion, and where in it; the others of the team hear it. Nothing is stored. */
export async function action({ request, params: { slug } }: Route.ActionArgs) {
  const { scope, name } = await requirePerson(request);
  const said: unknown = await jsonOf(request).catch(() => null);
  if (!body.isValidSync(said, { strict: true }))
    return Response.json({ problem: "Say which page, where, and whether you are here." }, { status: 422 });
  const { page, at, here } = said;
  await tellTeam(scope.connection, scope.teamId, { topic: "presence", slug, name, page, at, here });
  return new Response(null, { status: 204 });
}
