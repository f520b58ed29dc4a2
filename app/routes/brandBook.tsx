import { data, redirect, useFetcher } from "react-router";
import { useState } from "react";
import { Printer } from "lucide-react";
import { type BrandBook, paletteOf } from "../../core/brand/book";
import { ownPath } from "../../server/auth/ownPath";
import { noteDeed } from "../../server/people/deeds";
import { formText } from "../../server/formText";
import { NO_ID, readIds } from "../../server/ids";
import { requireEditor, requirePerson } from "../../server/auth/sessions";
import {
  addBrand,
  brandsOf,
  makeUsual,
  touchedBy,
  removeBrand,
  saveBook,
  switchBrand,
} from "../../server/brand/brandBook";
import { colorProposals, lackingLetters } from "../../server/brand/brandPage";
import { ownFamilies } from "../../server/faces/ownFonts";
import { receiveFont, removeFont } from "../../server/faces/receiveFont";
import { todayIn } from "../../server/media/mediaList";
import { chosenMedia, offeredSounds } from "../../server/media/offeredMedia";
import { UploadProblem } from "../../server/media/uploadProblem";
import { formOf, readJson } from "../../server/doors/readBody";
import type { Route } from "./+types/brandBook";
import { BrandSample } from "../brand/BrandSample";
import { ColorSection } from "../brand/ColorSection";
import { ContactSection } from "../brand/ContactSection";
import { FaceSection } from "../brand/FaceSection";
import { sameJson } from "../../core/merge/threeWay";

import { outdatedWords } from "../components/outdatedWords";
import { useMayEdit } from "../components/useMayEdit";
import { useOnceSaved } from "../components/useOnceSaved";
import { useAskBeforeLeaving } from "../components/useUnsaved";
import { LogoSection } from "../brand/LogoSection";
import { SignOffSection } from "../brand/SignOffSection";
import { TouchedPromotions } from "../brand/TouchedPromotions";
import { Button, ButtonLink } from "../components/Button";
import { Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { useChosenMedia } from "../mediaChoice/useChosenMedia";

export async function loader({ request }: Route.LoaderArgs) {
  const { scope, id, team } = await requirePerson(request);
  const { brands, usual, working } = await brandsOf(scope, id);
  const brand = new URL(request.url).searchParams.has("new") ? null : working;
  const [logos, sounds, own, proposals, lacking, touched] = await Promise.all([
    chosenMedia(scope, brand?.book.logos.map(({ media }) => media) ?? [], todayIn(team.zone)),
    offeredSounds(scope, todayIn(team.zone)),
    ownFamilies(scope),
    brand ? colorProposals(scope, brand.book) : [],
    brand ? lackingLetters(scope, brand, team.stamp) : [],
    brand ? touchedBy(scope, brand.id) : { count: 0, newest: [] },
  ]);
  return {
    brand,
    isFirst: brands.length === 0,
    isUsual: brand !== null && usual?.id === brand.id,
    proposals,
    lacking,
    touched,
    own: own.map(({ id, family, subfamily, sha256, weights, letters, embedding }) => ({
      id,
      family,
      subfamily,
      sha256,
      weights,
      letters,
      embedding,
    })),
    logos,
    sounds,
  };
}

interface Answer {
  readonly saved: boolean;
  readonly problem: string | null;
  readonly problems: Readonly<Record<string, string>>;
  readonly done: string;
  /** What was saved, with what colleagues had changed. */
  readonly now: { readonly name: string; readonly book: BrandBook } | null;
}
const answer = (change: Partial<Answer>): Answer => ({
  saved: false,
  problem: null,
  problems: {},
  done: "",
  now: null,
  ...change,
});

export async function action({ request }: Route.ActionArgs) {
  const { scope, id, name: who } = await requirePerson(request);
  const form = await formOf(request);
  const text = (name: string): string => formText(form, name);
  // Which brand somebody works in is their own affair, also a reviewer's.
  if (text("intent") !== "switch") await requireEditor(request);
  const failed = (change: Partial<Answer>) => data(answer(change), { status: 422 });
  const brandId = readIds(text("brand"))[0] ?? NO_ID;
  switch (text("intent")) {
    case "switch": {
      await switchBrand(scope, id, brandId);
      return redirect(ownPath(text("from"), "/brand-book"));
    }
    case "add": {
      const problem = await addBrand(scope, id, text("name"));
      if (problem) return failed({ problems: { name: problem } });
      await noteDeed(scope, who, `made the brand book “${text("name")}”`);
      return redirect("/brand-book");
    }
    case "usual": {
      await makeUsual(scope, brandId);
      return answer({ saved: true });
    }
    case "remove": {
      const problem = await removeBrand(scope, brandId);
      if (problem) return data(answer({ problem }), { status: 409 });
      await noteDeed(scope, who, "removed a brand book");
      return redirect("/brand-book");
    }
    case "font": {
      const file = form.get("file");
      if (!(file instanceof File)) return failed({ problem: "Choose a font file first." });
      try {
        const { family } = await receiveFont(scope, file);
        return answer({ saved: true, done: `${family} is among the typefaces now, under “your own”.` });
      } catch (error) {
        if (error instanceof UploadProblem) return failed({ problem: error.message });
        throw error;
      }
    }
    case "remove-font": {
      const problem = await removeFont(scope, readIds(text("id"))[0] ?? NO_ID);
      return problem ? data(answer({ problem }), { status: 409 }) : answer({ saved: true });
    }
    case "save": {
      const opened = text("base") === "" ? null : readJson(text("base"), "what the book was");
      const mine = { name: text("name"), book: readJson(text("book"), "a brand book") };
      const result = await saveBook(scope, brandId, mine, opened);
      if (!result.ok) return failed({ problems: result.problems });
      const { outdated, name, book } = result.values;
      await noteDeed(scope, who, `changed the brand book “${name}”`);
      return answer({
        saved: true,
        now: { name, book },
        done: outdated === 0 ? "Saved. Promotions show it from now on." : `Saved.${outdatedWords(outdated)}`,
      });
    }
    default:
      throw new Response("The brand book does not know what to do with that.", { status: 400 });
  }
}

export default function BrandBookPage({ loaderData }: Route.ComponentProps) {
  const { brand, isFirst } = loaderData;
  return brand ? <Book key={brand.id} loaded={{ ...loaderData, brand }} /> : <NewBrand isFirst={isFirst} />;
}

function NewBrand({ isFirst }: { isFirst: boolean }) {
  const fetcher = useFetcher<Answer>();
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead
        title={isFirst ? "Brand book" : "Another brand"}
        about="What every promotion draws from: colours, typefaces, logos, contact lines."
      />
      <fetcher.Form method="post" className="flex max-w-xl items-end gap-4 bg-card p-6">
        <Field label="Brand name" name="name" problem={fetcher.data?.problems["name"]} className="flex-1" autoFocus />
        <Button look="main" type="submit" name="intent" value="add">
          Start the book
        </Button>
      </fetcher.Form>
    </main>
  );
}

type Loaded = Route.ComponentProps["loaderData"] & { brand: NonNullable<Route.ComponentProps["loaderData"]["brand"]> };

function Book({ loaded: { brand, isUsual, logos, sounds, own, proposals, lacking, touched } }: { loaded: Loaded }) {
  const [book, setBook] = useState<BrandBook>(brand.book);
  const [name, setName] = useState(brand.name);
  const pictures = useChosenMedia(
    book.logos.map(({ media }) => media),
    logos,
  );
  const fetcher = useFetcher<Answer>();
  const mayEdit = useMayEdit();
  const change = (part: Partial<BrandBook>): void => setBook((before) => ({ ...before, ...part }));
  const problems = fetcher.data?.problems ?? {};
  // What this page was opened with or saved last: what colleagues change meanwhile stays.
  const [base, setBase] = useState({ name: brand.name, book: brand.book });
  const [unreadable, setUnreadable] = useState<readonly string[]>([]);
  const dirty = unreadable.length > 0 || !sameJson({ name, book }, base);
  const now = fetcher.data?.now ?? null;
  useOnceSaved(fetcher.state === "idle" && now !== null, () => {
    if (!now) return;
    setBase(now);
    setName(now.name);
    setBook(now.book);
  });
  useAskBeforeLeaving(dirty);
  const unsaved = unreadable.length > 0 ? `can’t be saved: ${unreadable.join(", ")} is not a colour` : "not saved yet";
  const saveState = fetcher.state !== "idle" ? "saving" : dirty ? unsaved : "saved";
  const save = (): void => {
    // Its field says what is wrong; leaving that field for the button may have mended it.
    if (unreadable.length > 0) return;
    void fetcher.submit(
      { intent: "save", brand: brand.id, name, book: JSON.stringify(book), base: JSON.stringify(base) },
      { method: "post" },
    );
  };
  return (
    <main className="flex-1 px-8 py-7 max-sm:px-4">
      <PageHead title="Brand book" about="What every promotion draws from. A change here shows in all of them.">
        <span role="status" className="self-center text-sm text-soft">
          {mayEdit ? saveState : "a reviewer looks, and changes nothing"}
        </span>
        <ButtonLink to="/brand-book/sheet">
          <Printer aria-hidden size={16} /> Brand sheet
        </ButtonLink>
        <Button look="main" disabled={fetcher.state !== "idle" || !mayEdit} onClick={save}>
          Save the book
        </Button>
      </PageHead>
      {fetcher.data?.done && fetcher.state === "idle" && !dirty && (
        <Notice kind="ready" className="mb-5">
          {fetcher.data.done}
        </Notice>
      )}
      {Object.keys(problems).length > 0 && (
        <Notice kind="wrong" className="mb-5">
          Not saved yet: {unplaced(problems) || "see the marked fields."}
        </Notice>
      )}
      <div className="grid grid-cols-[minmax(0,1fr)_330px] gap-10 max-lg:grid-cols-1">
        <fieldset disabled={!mayEdit} className="flex min-w-0 flex-col gap-9">
          <ContactSection name={name} book={book} problems={problems} onName={setName} onChange={change} />
          <ColorSection
            colors={book.colors}
            extras={book.extras}
            problems={problems}
            proposals={proposals}
            exportName={brand.name}
            onChange={change}
            onUnreadable={setUnreadable}
          />
          <FaceSection
            faces={book.faces}
            own={own}
            lacking={lacking}
            problems={problems}
            onChange={(faces) => change({ faces })}
          />
          <LogoSection
            logos={book.logos}
            logoRules={book.logoRules}
            pictures={pictures.media}
            onChosen={pictures.learn}
            palette={paletteOf(book)}
            problems={problems}
            onChange={change}
          />
          <SignOffSection book={book} sounds={sounds} problems={problems} onChange={change} />
        </fieldset>
        <div className="flex flex-col gap-6 self-start lg:sticky lg:top-4">
          <BrandSample name={name} book={book} logo={pictures.media[book.logos[0]?.media ?? ""]?.facts ?? null} />
          <TouchedPromotions brand={brand.id} touched={touched} isUsual={isUsual} />
        </div>
      </div>
    </main>
  );
}

/** Problems that have no field of their own to stand beside. */
const unplaced = (problems: Readonly<Record<string, string>>): string =>
  Object.entries(problems)
    .filter(([path]) => path === "book" || path === "version")
    .map(([, text]) => text)
    .join(" ");

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
