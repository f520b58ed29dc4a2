import { counted } from "../../core/text/counted";
import { clsx } from "clsx";
import { Form, data, useFetcher, useSubmit } from "react-router";
import { Check, Plus } from "lucide-react";
import { formText } from "../../server/formText";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import { keptFromShelf } from "../../server/shelf/keptFromShelf";
import { SHELF_CATEGORIES, searchShelf, shelfItem } from "../../server/shelf/shelfItems";
import { formOf } from "../../server/doors/readBody";
import type { Route } from "./+types/shelf";
import { inputClasses } from "../components/Field";
import { NearWords } from "../components/NearWords";
import { PageHead } from "../components/PageHead";
import { Tabs } from "../components/Tabs";
import { MEDIA_TABS } from "../media/tabs";
import { ShelfPreview } from "../media/ShelfPreview";

export async function loader({ request }: Route.LoaderArgs) {
  await requirePerson(request);
  const params = new URL(request.url).searchParams;
  const [words, category] = [params.get("words") ?? "", params.get("category") ?? ""];
  const { items, near } = searchShelf(words, category);
  return {
    words,
    category,
    categories: [...SHELF_CATEGORIES],
    near,
    items: items.map(({ slug, name, category: of, words: by, recipe }) => ({
      slug,
      name,
      category: of,
      words: by,
      kind: recipe.kind,
    })),
  };
}

export async function action({ request }: Route.ActionArgs) {
  const { scope } = await requireEditor(request);
  const item = shelfItem(formText(await formOf(request), "slug"));
  if (!item) throw new Response("There is no such item on the shelf.", { status: 404 });
  const kept = await keptFromShelf(scope, item);
  return data({ kept: kept.id, known: kept.known });
}

/** Backgrounds, textures, clips, tunes and effects that ship with the application. */
export default function Shelf({ loaderData: { words, category, categories, near, items } }: Route.ComponentProps) {
  const submit = useSubmit();
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Media" about="Things to start from. All made by Stencilcraft itself, and free to use." />
      <Tabs label="Media" tabs={MEDIA_TABS} />
      <Form
        role="search"
        className="mb-5 flex flex-wrap items-center gap-x-6 gap-y-3"
        onChange={(event) => void submit(event.currentTarget, { replace: true, preventScrollReset: true })}
      >
        <input
          type="search"
          name="words"
          defaultValue={words}
          placeholder="spring, party, wood, calm …"
          aria-label="Search the shelf"
          className={`${inputClasses} w-72!`}
        />
        <div role="group" aria-label="Category" className="flex flex-wrap gap-x-5 gap-y-2 text-sm">
          {["", ...categories].map((one) => (
            <label
              key={one}
              className={clsx(
                "cursor-pointer border-b-2 border-transparent pb-1 text-soft hover:text-ink has-checked:border-ink has-checked:font-semibold",
                "has-checked:text-ink has-focus-visible:outline-2 has-focus-visible:outline-accent",
              )}
            >
              <input type="radio" name="category" value={one} defaultChecked={category === one} className="sr-only" />
              {one === "" ? "everything" : one}
            </label>
          ))}
        </div>
        <span role="status" className="ml-auto figures text-soft">
          {counted(items.length, "item")}
        </span>
      </Form>
      {items.length === 0 && (
        <p className="border border-dashed border-firm p-16 text-center text-soft">
          Nothing on the shelf answers that. <NearWords near={near} otherwise="Try a mood, a season or a material." />
        </p>
      )}
      {categories.map((one) => {
        const group = items.filter((item) => item.category === one);
        return (
          group.length > 0 && (
            <section key={one} aria-label={one} className="mb-8">
              <h2 className="mb-3 first-letter:uppercase">{one}</h2>
              <ul className="grid grid-cols-[repeat(auto-fill,minmax(190px,1fr))] gap-4">
                {group.map((item) => (
                  <ShelfCard key={item.slug} item={item} />
                ))}
              </ul>
            </section>
          )
        );
      })}
    </main>
  );
}

function ShelfCard({
  item: { slug, name, words, kind },
}: {
  item: Route.ComponentProps["loaderData"]["items"][number];
}) {
  const fetcher = useFetcher<typeof action>();
  const busy = fetcher.state !== "idle";
  return (
    <li className="flex flex-col bg-card">
      <ShelfPreview kind={kind} name={name} src={`/media/shelf/${slug}/preview`} />
      <div className="flex items-start justify-between gap-2 px-3 py-2">
        <span className="min-w-0">
          <span className="block truncate font-semibold">{name}</span>
          <span className="block truncate text-xs text-soft">{words.join(", ")}</span>
        </span>
        <fetcher.Form method="post">
          <input type="hidden" name="slug" value={slug} />
          {fetcher.data ? (
            <span role="status" className="flex items-center gap-1 text-sm text-ready">
              <Check aria-hidden size={14} /> {fetcher.data.known ? "had it" : "kept"}
            </span>
          ) : (
            <button
              disabled={busy}
              aria-label={`Keep ${name}`}
              className="flex items-center gap-1 text-sm underline underline-offset-2 disabled:text-firm"
            >
              <Plus aria-hidden size={14} />
              {busy ? "making" : "Keep"}
            </button>
          )}
        </fetcher.Form>
      </div>
    </li>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
