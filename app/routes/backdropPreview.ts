import { paletteOf } from "../../core/brand/book";
import { requirePerson } from "../../server/auth/sessions";
import { workingBrand } from "../../server/brand/brandBook";
import { fileResponse } from "../../server/fileResponse";
import { backdropRecipe } from "../../server/shelf/pictureService";
import { shelfPreview } from "../../server/shelf/shelfFiles";
import type { Route } from "./+types/backdropPreview";

/** One of the four backdrops for words, small. */
export async function loader({ request }: Route.LoaderArgs) {
  const { scope, id } = await requirePerson(request);
  const params = new URL(request.url).searchParams;
  const brand = await workingBrand(scope, id);
  const recipe =
    brand &&
    backdropRecipe(
      params.get("words") ?? "",
      paletteOf(brand.book),
      Number(params.get("round") ?? 0),
      Number(params.get("which") ?? 0),
    );
  if (!recipe) throw new Response("There is no such backdrop.", { status: 404 });
  const { path, type, etag } = await shelfPreview(recipe);
  return fileResponse(request, path, { type, etag });
}
