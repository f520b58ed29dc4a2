import { matchColumns } from "../../core/catalogue/productRow";
import { type TestTeam, formOf, testTeam } from "../testing/team";
import { readOfferForm, saveOffer } from "./offers";
import { NO_ID } from "../ids";
import { offerSheet, sheetOf } from "./offerSheet";
import { exportProducts, previewImport, runImport } from "./productImport";
import { listProducts, readProductQuery } from "./productList";
import { picturesOf } from "./productPictures";
import { typedProduct } from "./typedProduct";
import { changeField, changeMany, saveProduct } from "./products";

let mine: TestTeam;
let theirs: TestTeam;
beforeEach(async () => {
  [mine, theirs] = await Promise.all([testTeam(), testTeam()]);
});
afterEach(() => Promise.all([mine.close(), theirs.close()]));

const pot = { name: "Pot", price: "24.00", code: "POT-1", content: "500 g", tags: "Clay, pots", stock: "yes" };
const save = (values: Readonly<Record<string, string>>) => saveProduct(mine.scope, "GBP", formOf(values));
const list = async (search: string) =>
  (await listProducts(mine.scope, readProductQuery(new URLSearchParams(search)), "en-GB")).products.map(
    ({ name }) => name,
  );
const steps = () =>
  mine.scope
    .select("price_step")
    .select("price_minor")
    .orderBy("from_at")
    .execute()
    .then((rows) => rows.map(({ price_minor }) => price_minor));

describe("products", () => {
  test("two people who save one product both keep what they changed; of the same field the later one's stays", async () => {
    const saved = await save({ ...pot, line: "Frost-proof", text: "" });
    if (!saved.ok) throw new Error("it should be saved");
    const { id } = saved.values;
    const base = JSON.stringify(await typedProduct(mine.scope, id));
    const opened = { ...pot, id, base, line: "Frost-proof", tags: "clay, pots" };
    expect(await save({ ...opened, price: "26.00", line: "Theirs" })).toMatchObject({ ok: true });
    expect(await save({ ...opened, name: "Pot, glazed", line: "Ours" })).toMatchObject({ ok: true });
    expect(await typedProduct(mine.scope, id)).toMatchObject({ name: "Pot, glazed", price: "26.00", line: "Ours" });
  });

  test("forms that are saved at the same moment keep all changes", async () => {
    const saved = await save({ ...pot, line: "Frost-proof", text: "" });
    if (!saved.ok) throw new Error("it should be saved");
    const { id } = saved.values;
    const now = await typedProduct(mine.scope, id);
    const opened = { ...now, id, base: JSON.stringify(now) };
    await Promise.all(
      [{ name: "Jar" }, { price: "9.00" }, { line: "Ours" }].map((change) => save({ ...opened, ...change })),
    );
    expect(await typedProduct(mine.scope, id)).toMatchObject({ name: "Jar", price: "9.00", line: "Ours" });
  });

  test("are kept with their pictures in order, and each new price in the history", async () => {
    const [one, other] = [await mine.picture("a.jpg"), await mine.picture("b.jpg")];
    const saved = await save({ ...pot, pictures: `${other},${one}` });
    if (!saved.ok) throw new Error("it should be saved");
    const { id } = saved.values;
    expect(await picturesOf(mine.scope, id)).toEqual([other, one]);
    await save({ ...pot, id, name: "Pot, glazed" });
    await save({ ...pot, id, price: "26.00" });
    expect(await steps()).toEqual([2400, 2600]);
    expect((await listProducts(mine.scope, readProductQuery(new URLSearchParams()), "en-GB")).products).toMatchObject([
      { name: "Pot", price: "£26.00", unitPrice: "£52.00 / kg", tags: ["clay", "pots"] },
    ]);
  });

  test("every problem stands under its field", async () => {
    await save(pot);
    expect(
      await save({ name: "", price: "cheap", code: "POT-1", content: "some", link: "javascript:alert(1)" }),
    ).toMatchObject({ ok: false, problems: { name: "A product needs a name." } });
    expect(await save({ name: "Other", price: "cheap", code: "POT-1", content: "some", link: "x y" })).toMatchObject({
      ok: false,
      problems: { price: /not a price/, code: /has the code/, content: /does not say/, link: /web address/ },
    });
    expect(await save({ name: "Other", price: "3", code: "6291041500214" })).toMatchObject({
      ok: false,
      problems: { code: expect.stringContaining("end in 3") as string },
    });
  });

  test("a picture or product of another team is not there", async () => {
    const foreign = await theirs.picture("secret.jpg");
    await expect(save({ ...pot, pictures: foreign })).rejects.toMatchObject({ status: 404 });
    const product = await theirs.product("Theirs", 100);
    await expect(save({ ...pot, id: product })).rejects.toMatchObject({ status: 404 });
    await expect(changeField(mine.scope, product, "name", "Mine")).rejects.toMatchObject({ status: 404 });
    expect((await changeMany(mine.scope, [product], { kind: "remove" })).done).toBe("");
    expect(await theirs.scope.select("product").select("name").execute()).toEqual([{ name: "Theirs" }]);
  });

  test.each([
    ["price", "31.50", null, "£31.50"],
    ["price", "dear", /not a price/, "£24.00"],
    ["name", " ", /needs a name/, "Pot"],
    ["name", "Jug", null, "Jug"],
    ["code", "6291041500214", /check digit/, "POT-1"],
    ["tags", "Blue;clay", null, "blue"],
    ["line", "x".repeat(121), /At most 120/, "Pot"],
  ] as const)("in place, %s “%s”", async (field, typed, problem, shown) => {
    const saved = await save(pot);
    const id = saved.ok ? saved.values.id : "";
    const said = await changeField(mine.scope, id, field, typed);
    if (problem) expect(said).toMatch(problem);
    else expect(said).toBeNull();
    expect(
      JSON.stringify((await listProducts(mine.scope, readProductQuery(new URLSearchParams()), "en-GB")).products),
    ).toContain(shown);
  });

  test("are found by words, whatever signs are in them, by tag and stock, and sorted", async () => {
    for (const [name, price, tags] of [
      ["100 % clay", 300, ["clay"]],
      ["1000 x clay", 200, ["clay"]],
      ["under_score", 100, []],
    ] as const)
      await mine.product(name, price, [...tags]);
    await theirs.product("100 % theirs", 1);
    expect(await list("words=0+%25")).toEqual(["100 % clay"]);
    expect(await list("words=r_s")).toEqual(["under_score"]);
    expect(await list("words=CLAY&sort=price")).toEqual(["1000 x clay", "100 % clay"]);
    expect(await list("tag=clay&sort=price&down=yes")).toEqual(["100 % clay", "1000 x clay"]);
    await changeMany(
      mine.scope,
      [
        (await mine.scope.select("product").select("id").where("name", "=", "under_score").executeTakeFirstOrThrow())
          .id,
      ],
      { kind: "stock", inStock: false },
    );
    expect(await list("stock=out")).toEqual(["under_score"]);
    expect(await list("page=2")).toEqual([]);
    expect(await list("page=nonsense&sort=moon")).toHaveLength(3);
  });

  test("one that a promotion uses stays, and says where", async () => {
    const [kept, gone, brand] = [
      await mine.product("Kept", 100),
      await mine.product("Gone", 100),
      await mine.brand("Brand"),
    ];
    await mine.scope
      .insert("promotion", {
        slug: "spring-sale",
        name: "Spring sale",
        document: JSON.stringify({
          version: 1,
          name: "Spring sale",
          template: "one-offer",
          brand,
          product: kept,
          offer: null,
          tune: null,
          fills: {},
        }),
      })
      .execute();
    const { done, problem } = await changeMany(mine.scope, [kept, gone], { kind: "remove" });
    expect(done).toBe("1 product removed.");
    expect(problem).toContain("“Spring sale”");
    expect(await list("")).toEqual(["Kept"]);
  });
});

describe("lists", () => {
  const csv = (rows: readonly string[]): Uint8Array => new TextEncoder().encode(`code,name,price\n${rows.join("\n")}`);
  const match = matchColumns(["code", "name", "price"]);

  test("a preview says what would happen, and writes nothing", async () => {
    await save(pot);
    const file = csv(["POT-1,Pot,25.00", "JUG-1,Jug,12.00", "JUG-1,Jug again,12.00", ",Bare,x", ",Plain,3"]);
    expect(await previewImport(mine.scope, file, "GBP", null)).toMatchObject({
      added: 2,
      changed: 1,
      same: 0,
      left: 2,
      findings: [{ row: 4, problems: ["The code “JUG-1” stands in row 3 already."] }, { row: 5 }],
    });
    expect(await list("")).toEqual(["Pot"]);
  });

  test("importing adds and changes, keeps prices in the history, and comes to rest", async () => {
    await save(pot);
    const file = csv(["POT-1,Pot,25.00", "JUG-1,Jug,12.00"]);
    expect(await runImport(mine.scope, file, "GBP", match)).toEqual({ added: 1, changed: 1, left: 0 });
    expect((await steps()).sort()).toEqual([1200, 2400, 2500]);
    expect(await runImport(mine.scope, file, "GBP", match)).toEqual({ added: 0, changed: 0, left: 0 });
    const exported = await exportProducts(mine.scope);
    expect(await previewImport(mine.scope, new TextEncoder().encode(exported), "GBP", null)).toMatchObject({
      added: 0,
      changed: 0,
      same: 2,
      left: 0,
    });
  });

  test("the codes of another team are another matter", async () => {
    await runImport(theirs.scope, csv(["POT-1,Theirs,1.00"]), "GBP", match);
    expect(await runImport(mine.scope, csv(["POT-1,Mine,2.00"]), "GBP", match)).toEqual({
      added: 1,
      changed: 0,
      left: 0,
    });
    expect(await theirs.scope.select("product").select("name").execute()).toEqual([{ name: "Theirs" }]);
  });
});

describe("offers", () => {
  const window = { starts: "2030-03-25T00:00", ends: "2030-04-02T00:00", zone: "Europe/London" };
  const offer = (values: Readonly<Record<string, string>>) =>
    saveOffer(mine.scope, mine.team, formOf({ name: "Week", on: "all", ...window, ...values }));

  test.each([
    [{ kind: "percent-off", percent: "" }, "percent", /Write/],
    [{ kind: "percent-off", percent: "abc" }, "percent", /Write a number/],
    [{ kind: "percent-off", percent: "120" }, "percent", /At most 100/],
    [{ kind: "n-for", count: "1", price: "3" }, "count", /At least 2/],
    [{ kind: "new-price", price: "x" }, "price", /not a price/],
    [{ kind: "gift", gift: "" }, "gift", /few words/],
    [{ kind: "announcement", text: "Hello", ends: "2030-03-20T00:00" }, "ends", /after the start/],
    [{ kind: "announcement", text: "Hello", zone: "Mars/North" }, "zone", /time zone/],
    [{ kind: "announcement", text: "Hello", on: "tags", tags: "" }, "tags", /at least one tag/],
    [{ kind: "announcement", text: "Hello", on: "products", products: "" }, "products", /at least one product/],
    [{ kind: "bundle-price", price: "30" }, "products", /at least two/],
  ])("%o is refused under %s", async (values, field, words) => {
    const result = await offer(values);
    expect(result.ok ? "" : result.problems[field]).toMatch(words);
    expect(await mine.scope.select("offer").select("id").execute()).toEqual([]);
  });

  test("a window over the change to summer time keeps its wall clock (IANA: Europe/London)", async () => {
    await offer({ kind: "announcement", text: "Hello" });
    const row = await mine.scope.select("offer").select(["starts_at", "ends_at"]).executeTakeFirstOrThrow();
    expect([row.starts_at.toISOString(), row.ends_at.toISOString()]).toEqual([
      "2030-03-25T00:00:00.000Z",
      "2030-04-01T23:00:00.000Z",
    ]);
  });

  test("what is typed is tried on products before it is saved; the ending is brought as was chosen", async () => {
    await mine.product("Tried", 2430, ["tried"]);
    const typed = {
      kind: "money-off",
      amount: "1.50",
      ending: ".90",
      on: "tags",
      tags: "tried",
      name: "Week",
      ...window,
    };
    const tried = async (endingWay: string) => {
      const read = await readOfferForm(mine.scope, mine.team, formOf({ ...typed, endingWay }));
      if (!read.ok) throw new Error("It can be read.");
      return sheetOf(mine.scope, { ...read.values, id: NO_ID }, { locale: "en-GB", most: 4 });
    };
    const savings = await Promise.all(["down", "nearest", "up"].map(tried));
    expect(savings.map(({ rows: [row] }) => [row?.now, row?.saving])).toEqual([
      ["£21.90", "£2.40"],
      ["£22.90", "£1.40"],
      ["£22.90", "£1.40"],
    ]);
    expect(await mine.scope.select("offer").select("id").execute()).toEqual([]);
    const wrong = await readOfferForm(mine.scope, mine.team, formOf({ ...typed, endingWay: "sideways" }));
    expect(wrong).toMatchObject({ ok: false, problems: { endingWay: "Choose a way from the list." } });
  });

  test("a product of another team can't be put in scope", async () => {
    const result = await offer({
      kind: "announcement",
      text: "Hello",
      on: "products",
      products: await theirs.product("Theirs", 1),
    });
    expect(result).toMatchObject({
      ok: false,
      problems: { products: expect.stringContaining("not in your catalogue") as string },
    });
  });

  test("the sheet tells figures, a price before that may not be claimed, and the offer that applies instead", async () => {
    const [steady, raised] = [
      await mine.product("Steady", 1000, ["clay"]),
      await mine.product("Raised", 1000, ["clay"]),
    ];
    await mine.scope
      .insert("price_step", [
        { product_id: raised, from_at: new Date(Date.now() - 5 * 86_400_000), price_minor: 1200, currency: "GBP" },
      ])
      .execute();
    await mine.scope.update("product").set({ price_minor: 1200 }).where("id", "=", raised).execute();
    const soon = {
      starts: new Date(Date.now() - 3_600_000).toISOString().slice(0, 16),
      ends: new Date(Date.now() + 5 * 86_400_000).toISOString().slice(0, 16),
      zone: "UTC",
    };
    const made = await offer({ kind: "percent-off", percent: "10", on: "tags", tags: "clay", ...soon });
    const id = made.ok ? made.values.id : "";
    expect((await offerSheet(mine.scope, id, "en-GB")).rows).toMatchObject([
      {
        name: "Raised",
        was: "£12.00",
        now: "£10.80",
        finding: expect.stringContaining("at most £10.00") as string,
        instead: null,
        // What may not be claimed is not said either.
        long: expect.not.stringContaining("instead of") as string,
      },
      { name: "Steady", was: "£10", now: "£9", percent: "10 %", finding: null },
    ]);
    await offer({ name: "Steady day", kind: "new-price", price: "8", on: "products", products: steady, ...soon });
    expect((await offerSheet(mine.scope, id, "en-GB")).rows[1]).toMatchObject({
      name: "Steady",
      instead: "Steady day",
    });
  });
});
