import { gzipSync, zipSync } from "fflate";
import { parseCsv } from "../../core/catalogue/csvText";
import { type TestTeam, testTeam } from "../testing/team";
import { exportProducts, previewImport, runImport } from "./productImport";

let team: TestTeam;
beforeAll(async () => {
  team = await testTeam();
});
afterAll(() => team.close());

test.each([
  ["a zip bomb", Buffer.from(zipSync({ "list.csv": new Uint8Array(60_000_000) })), "packed archive"],
  ["a packed list", Buffer.from(gzipSync(new Uint8Array(50_000_000))), "packed archive"],
  ["a picture", Buffer.from([0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 1, 2, 3]), "control characters"],
  ["an empty file", Buffer.alloc(0), "empty"],
  ["an open quote", Buffer.from('name,price\n"Pot,3\n'), "never closed"],
  ["too many rows", Buffer.from(`name,price\n${"a,1\n".repeat(50_002)}`), "more than 50000 rows"],
  ["too much", Buffer.alloc(21_000_000, "a"), "limit for lists"],
])("%s as a list of products is refused in words", async (_, contents, words) => {
  await expect(previewImport(team.scope, contents, "GBP", null)).rejects.toThrow(words);
});

test("cells that a spreadsheet would carry out come out harmless, and come in as they were", async () => {
  const names = ["=HYPERLINK(0)", "+44 pots", "-5 pots", "@sum"];
  const rows = names.map((name, at) => `F-${at},${name},1.00`);
  const list = Buffer.from(["code,name,price", ...rows].join("\n"));
  const { match, added } = await previewImport(team.scope, list, "GBP", null);
  expect(added).toBe(4);
  await runImport(team.scope, list, "GBP", match);
  expect((await team.scope.select("product").select("name").orderBy("code").execute()).map(({ name }) => name)).toEqual(
    names,
  );

  const exported = await exportProducts(team.scope);
  for (const [at, name] of names.entries()) expect(exported).toContain(`F-${at},'${name},`);
  expect(parseCsv(exported).rows).toHaveLength(4);
  const again = await previewImport(team.scope, Buffer.from(exported), "GBP", null);
  expect([again.added, again.changed, again.same]).toEqual([0, 0, 4]);
});
