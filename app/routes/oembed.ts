import { oembedOf } from "../../server/review/oembed";
import type { Route } from "./+types/oembed";

/** How a shared promotion is put into another page, by the oEmbed format. */
export function loader({ request }: Route.LoaderArgs) {
  return oembedOf(new URL(request.url));
}
