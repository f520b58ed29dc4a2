import { loadFillDesk } from "../promotions/fillDesk";
import { createPromotion } from "../promotions/promotionStore";
import { type TestTeam, testTeam } from "../testing/team";
import { chosenProducts, offeredProducts } from "./offeredProducts";

let team: TestTeam;
let last: string;
beforeAll(async () => {
  team = await testTeam();
  await team.brand("Ash");
  const many = Array.from({ length: 60 }, (_, at) => ({
    ...{ name: `Pot ${String(at + 1).padStart(2, "0")}`, line: "", price_minor: 400 + at, currency: "GBP" },
  }));
  await team.scope.insert("product", many).execute();
  last = await team.product("Zinnia seed mix", 250, ["seed"]);
});
afterAll(() => team.close());

const namesFor = async (words: string): Promise<string[]> =>
  (await offeredProducts(team.scope, words, "en-GB")).products.map(({ name }) => name);

test("the first by name are offered, with how many there are; by words in any order, name and tag, all that have them", async () => {
  const { products, count } = await offeredProducts(team.scope, "", "en-GB");
  expect([products.length, count]).toEqual([40, 61]);
  expect(products[0]).toMatchObject({ name: "Pot 01", price: "£4.00", picture: null });
  expect(await namesFor("mix ZINNIA")).toEqual(["Zinnia seed mix"]);
  expect(await namesFor("seed")).toEqual(["Zinnia seed mix"]);
  expect(await namesFor("zinnia pot")).toEqual([]);
  // What means something in a pattern is a letter like others here.
  expect(await namesFor("%")).toEqual([]);
});

test("products are known by their ids with their pictures; others' and what is no id are left out", async () => {
  const media = await team.picture("zinnia.jpg");
  await team.scope.insert("product_picture", [{ product_id: last, media_id: media, position: 0 }]).execute();
  const other = await testTeam();
  try {
    const theirs = await other.product("Theirs", 100);
    const found = await chosenProducts(team.scope, [last, theirs, "no id", last], "en-GB");
    expect(Object.keys(found)).toEqual([last]);
    expect(found[last]).toEqual({ id: last, name: "Zinnia seed mix", line: "", price: "£2.50", picture: media });
  } finally {
    await other.close();
  }
});

test("a desk knows the product of its promotion, however far down the catalogue it stands", async () => {
  const { slug } = await createPromotion(team.scope, { template: "opening-hours", product: last, offer: null }, null);
  const { facts } = await loadFillDesk(team.scope, slug, { locale: "en-GB", zone: "Europe/London" });
  expect(facts.products[last]?.name).toBe("Zinnia seed mix");
  expect(Object.keys(facts.products).length).toBeLessThan(20);
});
