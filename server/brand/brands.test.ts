import { usualOutput } from "../../core/output/output";
import { newBrandBook } from "../../core/brand/book";
import { readPromotion } from "../../core/document/promotion";
import { changeField } from "../catalogue/products";
import { loadRenderInput } from "../promotions/loadFacts";
import { type TestTeam, testTeam } from "../testing/team";
import { addBrand, makeUsual, removeBrand, saveBook, switchBrand, workingBrand } from "./brandBook";

let mine: TestTeam;
let theirs: TestTeam;
beforeEach(async () => {
  [mine, theirs] = await Promise.all([testTeam(), testTeam()]);
});
afterEach(() => Promise.all([mine.close(), theirs.close()]));

test("the working brand is the one chosen, else the first that was made, whatever comes by name before it", async () => {
  expect(await workingBrand(mine.scope, mine.memberId)).toBeNull();
  await mine.brand("Birch");
  const ash = await mine.brand("Ash");
  expect((await workingBrand(mine.scope, mine.memberId))?.name).toBe("Birch");
  expect(await addBrand(mine.scope, mine.memberId, " Cedar ")).toBeNull();
  expect((await workingBrand(mine.scope, mine.memberId))?.name).toBe("Cedar");
  await switchBrand(mine.scope, mine.memberId, ash);
  expect((await workingBrand(mine.scope, mine.memberId))?.name).toBe("Ash");
  await expect(switchBrand(mine.scope, mine.memberId, await theirs.brand("Theirs"))).rejects.toMatchObject({
    status: 404,
  });
});

test("who has chosen no brand works in the one that was made the usual one last; who has chosen, in that", async () => {
  const [birch, ash] = [await mine.brand("Birch"), await mine.brand("Ash")];
  const shown = async (member: string | null) => (await workingBrand(mine.scope, member))?.name;
  await makeUsual(mine.scope, ash);
  expect(await shown(mine.memberId)).toBe("Ash");
  await switchBrand(mine.scope, mine.memberId, birch);
  expect([await shown(mine.memberId), await shown(null)]).toEqual(["Birch", "Ash"]);
  await makeUsual(mine.scope, birch);
  expect(await shown(null)).toBe("Birch");
  await makeUsual(mine.scope, await theirs.brand("Theirs"));
  expect(await shown(null)).toBe("Birch");
});

test("a book's problems stand under their paths, and what it names must be the team's", async () => {
  const brand = await mine.brand("Ash");
  const book = newBrandBook();
  expect(
    await saveBook(mine.scope, brand, {
      name: "",
      book: { ...book, colors: { ...book.colors, ink: { name: "Ink", hex: "black" } }, calls: ["", "ok"] },
    }),
  ).toMatchObject({
    ok: false,
    problems: {
      name: "A brand needs a name.",
      "colors.ink.hex": "A colour looks like #1a2b3c.",
      "calls[0]": expect.stringContaining("remove the line") as string,
    },
  });
  const foreign = await theirs.picture("logo.svg");
  expect(
    await saveBook(mine.scope, brand, {
      name: "Ash",
      book: {
        ...book,
        logos: [{ variant: "full", media: foreign }],
        tune: foreign,
        faces: { ...book.faces, text: { family: "Elsewhere", weight: null } },
      },
    }),
  ).toMatchObject({
    ok: false,
    problems: {
      "logos.full": expect.any(String) as string,
      tune: expect.any(String) as string,
      "faces.text.family": expect.stringContaining("Elsewhere") as string,
    },
  });
  await expect(saveBook(mine.scope, await theirs.brand("Theirs"), { name: "Mine", book })).rejects.toMatchObject({
    status: 404,
  });
});

test("renditions are marked when a frame would differ, and the mark goes when it is as it was", async () => {
  const [brand, product] = [await mine.brand("Ash"), await mine.product("Pot", 2400)];
  const document = readPromotion({
    version: 1,
    name: "Pot",
    template: "one-offer",
    brand,
    product,
    offer: null,
    tune: null,
    fills: {},
  });
  const promotion = await mine.scope
    .insert("promotion", { slug: "pot-sale", name: "Pot", document: JSON.stringify(document) })
    .returning("id")
    .executeTakeFirstOrThrow();
  const render = await mine.scope
    .insert("render", {
      promotion_id: promotion.id,
      revision: 1,
      quality: "480p",
      input: JSON.stringify(await loadRenderInput(mine.scope, document)),
    })
    .returning("id")
    .executeTakeFirstOrThrow();
  await mine.scope
    .insert("rendition", {
      output: JSON.stringify(usualOutput("480p")),
      render_id: render.id,
      format: "square",
      file: null,
      file_key: null,
      problem: null,
      outdated_by: null,
    })
    .execute();
  const mark = async () =>
    (await mine.scope.select("rendition").select("outdated_by").executeTakeFirstOrThrow()).outdated_by;

  await changeField(mine.scope, product, "name", "Pot, glazed");
  expect(await mark()).toBe("the product Pot, glazed was changed");
  await changeField(mine.scope, product, "name", "Pot");
  expect(await mark()).toBeNull();

  const book = newBrandBook();
  // An extra colour shows in no frame, nor does the ink where all words are strong; the card does.
  expect(
    await saveBook(mine.scope, brand, { name: "Ash", book: { ...book, extras: [{ name: "Moss", hex: "#556b2f" }] } }),
  ).toMatchObject({ ok: true, values: { outdated: 0 } });
  expect(
    await saveBook(mine.scope, brand, {
      name: "Ash",
      book: { ...book, colors: { ...book.colors, ink: { name: "Ink", hex: "#000000" } } },
    }),
  ).toMatchObject({ ok: true, values: { outdated: 0 } });
  expect(
    await saveBook(mine.scope, brand, {
      name: "Ash",
      book: { ...book, colors: { ...book.colors, card: { name: "Card", hex: "#fff0f0" } } },
    }),
  ).toMatchObject({ ok: true, values: { outdated: 1 } });
  expect(await mark()).toBe("the brand book of Ash was changed");
  expect(await removeBrand(mine.scope, brand)).toContain("“Pot”");
});

test("two people who save one book both keep what they changed; of the same field the later one's stays", async () => {
  const brand = await mine.brand("Ash");
  const opened = { name: "Ash", book: newBrandBook() };
  const theirs = { ...opened, book: { ...opened.book, calls: ["Come in"], form: "arch" as const } };
  const ours = { name: "Ash & Oak", book: { ...opened.book, calls: ["Look in"], legal: ["While stocks last."] } };
  expect(await saveBook(mine.scope, brand, theirs, opened)).toMatchObject({ ok: true });
  expect(await saveBook(mine.scope, brand, ours, opened)).toMatchObject({
    ok: true,
    values: { name: "Ash & Oak", book: { form: "arch", calls: ["Look in"], legal: ["While stocks last."] } },
  });
});

test("a book with a hundred thousand colours is refused by its length, before any of them is looked at", async () => {
  const brand = await mine.brand("Ash");
  const extras = Array.from({ length: 100_000 }, (_, at) => ({ name: `Extra ${at}`, hex: "no colour" }));
  const answer = await saveBook(mine.scope, brand, { name: "Ash", book: { ...newBrandBook(), extras } });
  expect(answer).toMatchObject({ ok: false, problems: { extras: "At most 100." } });
  // Told of the list itself: none of its colours was looked at.
});

test("two books that are saved at the same moment keep both changes", async () => {
  const brand = await mine.brand("Ash");
  const opened = { name: "Ash", book: newBrandBook() };
  const changes = [{ calls: ["Come in"] }, { legal: ["While stocks last."] }, { form: "arch" as const }];
  await Promise.all(
    changes.map((change) => saveBook(mine.scope, brand, { name: "Ash", book: { ...opened.book, ...change } }, opened)),
  );
  const { book } = await mine.scope.select("brand").select("book").where("id", "=", brand).executeTakeFirstOrThrow();
  expect(book).toMatchObject({ calls: ["Come in"], legal: ["While stocks last."], form: "arch" });
});
