import { Link, data, redirect, useFetcher } from "react-router";
import { useState } from "react";
import { Printer } from "lucide-react";
import { type BrandBook, CORNERS, SIGN_OFF_LINES, newBrandBook, paletteOf, signOffWords } from "../../core/brand/book";
import { COLOR_ROLES, inkFor } from "../../core/color/palette";
import { isHex } from "../../core/color/srgb";
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
import { ColorSection } from "../brand/ColorSection";
import { FaceSection } from "../brand/FaceSection";
import { Lines } from "../brand/Lines";
import { sameJson } from "../../core/merge/threeWay";

import { outdatedWords } from "../components/outdatedWords";
import { useMayEdit } from "../components/useMayEdit";
import { useOnceSaved } from "../components/useOnceSaved";
import { useAskBeforeLeaving } from "../components/useUnsaved";
import { FormChoice } from "../brand/FormChoice";
import { LogoSection } from "../brand/LogoSection";
import { Button, ButtonLink } from "../components/Button";
import { Choice, Field } from "../components/Field";
import { Notice } from "../components/Notice";
import { PageHead } from "../components/PageHead";
import { RightsMark } from "../components/RightsMark";
import { useChosenMedia } from "../mediaChoice/useChosenMedia";
import { thumbAddress } from "../components/mediaLook";

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
  const remover = useFetcher<Answer>();
  const usually = useFetcher<Answer>();
  const mayEdit = useMayEdit();
  const makeItUsual = (): void => void usually.submit({ intent: "usual", brand: brand.id }, { method: "post" });
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
  const contact = (part: Partial<BrandBook["contact"]>): void => change({ contact: { ...book.contact, ...part } });
  const tune = sounds.find(({ facts }) => facts.id === book.tune);
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
          <section aria-label="Name and contact" className="grid grid-cols-2 gap-x-6 gap-y-4 max-sm:grid-cols-1">
            <Field
              label="Brand name"
              value={name}
              onChange={(event) => setName(event.target.value)}
              problem={problems["name"]}
            />
            <Field
              label="Website"
              value={book.contact.website}
              onChange={(event) => contact({ website: event.target.value })}
              problem={problems["contact.website"]}
            />
            <Field
              label="Phone"
              value={book.contact.phone}
              onChange={(event) => contact({ phone: event.target.value })}
              problem={problems["contact.phone"]}
            />
            <Field
              label="Address"
              value={book.contact.address}
              onChange={(event) => contact({ address: event.target.value })}
              problem={problems["contact.address"]}
            />
            <Lines
              label="Call to action"
              hint="the first is the usual one"
              values={book.calls}
              path="calls"
              problems={problems}
              add="Another phrase"
              onChange={(calls) => change({ calls })}
            />
            <Lines
              label="Handle"
              hint="with its sign"
              values={book.contact.handles}
              path="contact.handles"
              problems={problems}
              add="A handle"
              onChange={(handles) => contact({ handles })}
            />
          </section>
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
          <section aria-label="Sign-off and sound" className="grid grid-cols-2 gap-x-6 gap-y-4 max-sm:grid-cols-1">
            <h2 className="col-span-2 -mb-1">Sign-off, watermark, form, sound</h2>
            {(["first", "second"] as const).map((which) => (
              <Choice
                key={which}
                label={which === "first" ? "Under the call to action" : "And under that"}
                hint={signOffWords(book, which) || "empty"}
                value={book.signOff[which]}
                options={SIGN_OFF_LINES.map((line) => [line, line])}
                onChange={(event) =>
                  change({
                    signOff: {
                      ...book.signOff,
                      [which]: SIGN_OFF_LINES.find((line) => line === event.target.value) ?? "nothing",
                    },
                  })
                }
              />
            ))}
            <div>
              <Choice
                label="House tune"
                value={book.tune ?? ""}
                problem={problems["tune"]}
                options={[["", "none"], ...sounds.map(({ facts }) => [facts.id, facts.name] as const)]}
                onChange={(event) => change({ tune: event.target.value || null })}
              />
              {tune && <RightsMark state={tune.rights} className="mt-1" />}
            </div>
            <div className="grid grid-cols-[minmax(0,1fr)_80px_80px] gap-3">
              <Choice
                label="Watermark"
                value={book.watermark.on ? book.watermark.corner : ""}
                options={[["", "none"], ...CORNERS.map((corner) => [corner, corner.replace("-", " ")] as const)]}
                onChange={(event) => {
                  const corner = CORNERS.find((one) => one === event.target.value);
                  change({ watermark: { ...book.watermark, on: corner !== undefined, ...(corner ? { corner } : {}) } });
                }}
              />
              <Field
                label="Size %"
                type="number"
                min={5}
                max={30}
                value={Math.round(book.watermark.size * 100)}
                onChange={(event) =>
                  change({ watermark: { ...book.watermark, size: Number(event.target.value) / 100 } })
                }
                problem={problems["watermark.size"]}
              />
              <Field
                label="Opacity %"
                type="number"
                min={20}
                max={100}
                value={Math.round(book.watermark.opacity * 100)}
                onChange={(event) =>
                  change({ watermark: { ...book.watermark, opacity: Number(event.target.value) / 100 } })
                }
                problem={problems["watermark.opacity"]}
              />
            </div>
            <FormChoice value={book.form} color={book.colors.primary.hex} onChoose={(form) => change({ form })} />
            <div className="col-span-2">
              <Lines
                label="Legal line"
                hint="small print offered in promotions"
                values={book.legal}
                path="legal"
                problems={problems}
                add="A legal line"
                onChange={(legal) => change({ legal })}
              />
            </div>
          </section>
        </fieldset>
        <div className="flex flex-col gap-6 self-start lg:sticky lg:top-4">
          <BrandSample name={name} book={book} logo={pictures.media[book.logos[0]?.media ?? ""]?.facts ?? null} />
          <section aria-label="Promotions in this brand" className="text-sm">
            <h2 className="mb-1 text-base">{touched.count === 0 ? "No promotion uses it yet" : "A change touches"}</h2>
            <ul className="divide-y divide-rule border-y border-rule">
              {touched.newest.map(({ slug, name: promotion }) => (
                <li key={slug}>
                  <Link to={`/promotions/${slug}`} className="block py-1.5 underline-offset-2 hover:underline">
                    {promotion}
                  </Link>
                </li>
              ))}
            </ul>
            {touched.count > touched.newest.length && (
              <p className="mt-1 text-soft">and {touched.count - touched.newest.length} more.</p>
            )}
            {touched.count > 0 && (
              <p className="mt-1 text-soft">Their renditions are marked as out of date where a frame would differ.</p>
            )}
            <p className="mt-4 text-soft">
              {isUsual
                ? "Whoever has chosen no brand works in this one."
                : "Whoever has chosen no brand works in another."}
              {!isUsual && mayEdit && (
                <button type="button" onClick={makeItUsual} className="ml-2 underline hover:text-ink">
                  Make this the usual one
                </button>
              )}
            </p>
            {remover.data?.problem && (
              <Notice kind="wrong" className="mt-3">
                {remover.data.problem}
              </Notice>
            )}
            {mayEdit && (
              <button
                type="button"
                onClick={() => void remover.submit({ intent: "remove", brand: brand.id }, { method: "post" })}
                className="mt-4 text-wrong hover:underline"
              >
                Remove this brand
              </button>
            )}
          </section>
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

/** The book at work: a small card in the brand's colours and faces. */
function BrandSample({
  name,
  book,
  logo,
}: {
  name: string;
  book: BrandBook;
  logo: Parameters<typeof thumbAddress>[0] | null;
}) {
  const palette = paletteOf(book);
  if (!COLOR_ROLES.every((role) => isHex(palette[role]))) return null;
  return (
    <aside
      aria-label="The book at work"
      className="shadow-md"
      style={{ background: palette.ground, color: inkFor(palette.ground, palette) }}
    >
      <div className="flex h-28 items-center justify-center p-5" style={{ background: palette.card }}>
        {logo ? (
          <img src={thumbAddress(logo, 500) ?? ""} alt="Logo" className="max-h-20 max-w-[250px]" />
        ) : (
          <span style={{ color: inkFor(palette.card, palette) }}>{name}</span>
        )}
      </div>
      <div className="h-2" style={{ background: palette.accent }} />
      <div className="p-6">
        <p
          className="inline-block px-3 py-1 cut"
          style={{
            background: palette.sale,
            color: inkFor(palette.sale, palette, ["card", "ink"]),
            fontFamily: '"sample headline"',
          }}
        >
          15 % off
        </p>
        <p
          className="mt-3 text-[36px] leading-[1.05]"
          style={{ fontFamily: '"sample headline"', color: inkFor(palette.ground, palette, ["primary", "ink"]) }}
        >
          {book.calls[0] || newBrandBook().calls[0]}
        </p>
        <p className="mt-3 text-base" style={{ fontFamily: '"sample text"' }}>
          Set in {book.faces.text.family}, <span style={{ fontFamily: '"sample figures"' }}>£24.00 → £20.40</span>,
          until Sunday.
        </p>
      </div>
      <div
        className="px-6 py-3.5"
        style={{
          background: palette.primary,
          color: inkFor(palette.primary, palette, ["card", "ink"]),
          fontFamily: '"sample text"',
        }}
      >
        {signOffWords(book, "first") || "your website"}
      </div>
    </aside>
  );
}

export { ProblemPage as ErrorBoundary } from "../components/ProblemPage";
