import { object, string } from "yup";
import { COLOR_ROLES } from "../../core/color/palette";
import { BRAND_FAMILIES } from "../../core/type/shippedFaces";
import { type TeamScope } from "../db/teamScope";
import { mediaFacts } from "../media/storedFacts";
import { brandFacts } from "../promotions/loadFacts";
import { type ReadForm, readForm } from "../formProblems";

const families = BRAND_FAMILIES.map(({ family }) => family);
const color = string().trim().lowercase().matches(/^#[0-9a-f]{6}$/, "A colour looks like #1a2b3c.").required("Every role needs a colour.");
const family = string().oneOf(families, "Choose one of the shipped typefaces.").required();

const form = object({
  name: string().trim().max(60, "At most 60 characters.").required("A brand needs a name."),
  ground: color, card: color, ink: color, primary: color, accent: color,
  headline: family,
  text: family,
  website: string().trim().max(80, "At most 80 characters.").default(""),
  handle: string().trim().max(40, "At most 40 characters.").default(""),
  call: string().trim().max(40, "At most 40 characters.").required("A brand needs a call to action, such as “Come and see”."),
  logo: string().uuid().nullable().transform((value: unknown) => (value === "" ? null : value)).default(null),
});

/** The team's brand, or null while it has none. */
export async function loadBrand(scope: TeamScope) {
  const row = await scope.brands().selectAll().orderBy("name").executeTakeFirst();
  if (!row) return null;
  const logoRow = row.logo_media_id ? await scope.media().selectAll().where("id", "=", row.logo_media_id).executeTakeFirst() : undefined;
  const logo = logoRow ? mediaFacts(logoRow) : null;
  return brandFacts(row, logo?.kind === "picture" ? logo : null);
}

/** Saves the brand book from its form: changes the team's brand, or makes its first. */
export async function saveBrand(scope: TeamScope, data: FormData): Promise<ReadForm<unknown>> {
  const read = await readForm(form, data);
  if (!read.ok) return read;
  const { name, headline, text, website, handle, call, logo, ...colors } = read.values;
  if (logo && !(await scope.media().select("id").where("id", "=", logo).where("kind", "=", "picture").executeTakeFirst()))
    return { ok: false, problems: { logo: "The logo must be a picture of your team." } };
  const palette = JSON.stringify(Object.fromEntries(COLOR_ROLES.map((role) => [role, colors[role]])));
  const values = { name, palette, headline_family: headline, text_family: text, website, handle, call, logo_media_id: logo };
  const first = await scope.brands().select("id").orderBy("name").executeTakeFirst();
  if (first) await scope.changeBrand().set(values).where("id", "=", first.id).execute();
  else await scope.addBrand(values).execute();
  return read;
}
