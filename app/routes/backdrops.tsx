import { Form, data, useFetcher } from "react-router";
import { Check } from "lucide-react";
import { paletteOf } from "../../core/brand/book";
import { formText } from "../../server/formText";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { workingBrand } from "../../server/brand/brandBook";
import { backdropRecipe, readWords } from "../../server/shelf/pictureService";
import { keepFromShelf } from "../../server/shelf/shelfFiles";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/backdrops";
import { Button, ButtonLink } from "../components/Button";
import { inputClasses } from "../components/Field";
import { PageHead } from "../components/PageHead";
import { Tabs } from "../components/Tabs";
import { MEDIA_TABS } from "../media/tabs";
import { firstLetters } from "../../core/text/cleanText";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, id } = await requirePerson(request);
  const params = new URL(request.url).searchParams;
  const brand = await workingBrand(scope, id);
  const round = Math.max(0, Math.floor(Number(params.get("round") ?? 0)) || 0);
  return {
    words: readWords(params.get("words") ?? ""),
    round,
    brand: brand && { name: brand.name, colors: Object.values(paletteOf(brand.book)) },
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope, id } = await requireEditor(request);
  const form = await formOf(request);
  const brand = await workingBrand(scope, id);
  const words = readWords(formText(form, "words"));
  const recipe =
    brand && backdropRecipe(words, paletteOf(brand.book), Number(form.get("round")), Number(form.get("which")));
  if (!recipe) throw new Response("There is no such backdrop.", { status: 404 });
  const kept = await keepFromShelf(
    scope,
    recipe,
    `${firstLetters(words, 60)}, ${recipe.motif}`,
    `made from the words “${words}”`,
    ["backdrop", recipe.motif],
  );
  return data({ kept: kept.id });
}

/** From a line of words and the brand's colours: four backdrops, to keep any of them. */
export default function Backdrops({ loaderData: { words, round, brand } }: Route.ComponentProps) {
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Media" about="Say what it should feel like; four backdrops are drawn in your brand’s colours." />
      <Tabs label="Media" tabs={MEDIA_TABS} />
      {!brand ? (
        <p className="border border-dashed border-firm p-16 text-center text-soft">
          Backdrops are drawn in a brand’s colours.{" "}
          <ButtonLink look="quiet" to="/brand-book">
            Start your brand book first.
          </ButtonLink>
        </p>
      ) : (
        <>
          <Form role="search" className="mb-6 flex max-w-3xl items-center gap-3">
            <input
              type="search"
              name="words"
              defaultValue={words}
              maxLength={120}
              placeholder="fresh herbs on a spring morning"
              aria-label="What the backdrop should feel like"
              className={inputClasses}
            />
            <Button look="main" type="submit">
              Draw four
            </Button>
            <span className="flex shrink-0 items-center gap-1 text-sm text-soft" title={`Colours of ${brand.name}`}>
              {brand.colors.map((hex, index) => (
                <span key={index} aria-hidden className="h-4 w-4 border border-ink/20" style={{ background: hex }} />
              ))}
            </span>
          </Form>
          {words === "" ? (
            <p className="border border-dashed border-firm p-16 text-center text-soft">
              Nothing drawn yet. Try “summer market”, “candle light dinner” or “bread on a wooden table”.
            </p>
          ) : (
            <>
              <ul className="grid grid-cols-4 gap-5 max-lg:grid-cols-2">
                {[0, 1, 2, 3].map((which) => (
                  <BackdropCard key={`${words}/${round}/${which}`} words={words} round={round} which={which} />
                ))}
              </ul>
              <ButtonLink to={`?${new URLSearchParams({ words, round: String(round + 1) })}`} className="mt-6">
                Four others
              </ButtonLink>
            </>
          )}
          <p className="mt-6 text-sm text-soft">
            The service is simulated and runs inside Stencilcraft: nothing is sent anywhere, and the same words give the
            same pictures.
          </p>
        </>
      )}
    </main>
  );
}

function BackdropCard({ words, round, which }: { words: string; round: number; which: number }) {
  const fetcher = useFetcher<typeof action>();
  const query = new URLSearchParams({ words, round: String(round), which: String(which) });
  return (
    <li className="bg-card">
      <img
        src={`/media/backdrops/preview?${query}`}
        alt={`Backdrop ${which + 1} for ${words}`}
        className="block aspect-square w-full bg-proof"
      />
      <fetcher.Form method="post" className="flex items-center justify-between px-3 py-2">
        {[...query].map(([name, value]) => (
          <input key={name} type="hidden" name={name} value={value} />
        ))}
        {fetcher.data ? (
          <span role="status" className="flex items-center gap-1 text-sm text-ready">
            <Check aria-hidden size={14} /> kept in your media
          </span>
        ) : (
          <Button type="submit" disabled={fetcher.state !== "idle"} aria-label={`Keep backdrop ${which + 1}`}>
            {fetcher.state === "idle" ? "Keep" : "Making it"}
          </Button>
        )}
      </fetcher.Form>
    </li>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
