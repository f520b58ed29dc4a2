import { PALETTE_FORMATS, writePaletteFile } from "../../core/color/paletteFiles";
import { requirePerson } from "../../server/auth/sessions";
import { workingBrand } from "../../server/brand/brandBook";
import { paletteFile } from "../../server/brand/brandPage";
import { slugOf } from "../../core/text/slug";
import type { Route } from "./+types/brandPalette";

const FILES = {
  tokens: ["tokens.json", "application/design-tokens+json"],
  gpl: ["gpl", "application/x-gimp-palette"],
  css: ["css", "text/css"],
} as const;

/** The working brand's colours as a file in an open format. */
export async function loader({ request, params }: Route.LoaderArgs) {
  const { scope, id } = await requirePerson(request);
  const format = PALETTE_FORMATS.find((one) => one === params.format);
  const brand = await workingBrand(scope, id);
  if (!format || !brand) throw new Response("There is no such palette.", { status: 404 });
  const [ending, type] = FILES[format];
  return new Response(writePaletteFile(format, paletteFile(brand)), {
    headers: {
      "content-type": `${type}; charset=utf-8`,
      "content-disposition": `attachment; filename="${slugOf(`${brand.name} colours`)}.${ending}"`,
      "cache-control": "no-store",
    },
  });
}
