import { PLACEMENTS } from "../../core/placement/placements";
import { type Choosable, readRenderWish } from "./readRenderWish";

const there: Choosable = {
  ...{ formats: ["square", "vertical"], placements: PLACEMENTS, languages: ["de"], seconds: 10 },
};
const wished = async (fields: Readonly<Record<string, string>>) =>
  readRenderWish(new URLSearchParams(fields), there).then((read) => (read.ok ? read.values.files : read.problems));

test("who names no formats has all of them, as films usually are", async () => {
  const output = { kind: "mp4", quality: "480p", rate: "30", mostBytes: null, loudness: null, captions: null };
  expect(await wished({ quality: "480p" })).toEqual(
    ["square", "vertical"].map((format) => ({ format, output: { ...output, placement: null } })),
  );
});

test("placements are made as each takes them; one in a shape that the promotion lacks is not", async () => {
  const files = await wished({
    ...{ by: "placements", placements: "vertical-short,shop-screen,story-still", quality: "1080p", captions: "de" },
  });
  expect(files).toMatchObject([
    {
      format: "vertical",
      output: { placement: "vertical-short", kind: "mp4", mostBytes: 200_000_000, captions: "de" },
    },
    { format: "vertical", output: { placement: "story-still", kind: "still", mostBytes: 8_000_000 } },
  ]);
});

test("drafts of placements are drafts", async () => {
  const files = await wished({ by: "placements", placements: "square-feed", quality: "480p" });
  expect(files).toMatchObject([{ output: { quality: "480p", placement: "square-feed" } }]);
});

test.each([
  [{ quality: "8k" }, "quality"],
  [{ quality: "1080p", formats: "" }, "formats"],
  [{ quality: "1080p", by: "placements", placements: "nowhere" }, "placements"],
  [{ quality: "1080p", kind: "avi" }, "kind"],
  [{ quality: "1080p", rate: "12" }, "rate"],
  [{ quality: "1080p", most: "much" }, "most"],
  [{ quality: "1080p", most: "0.1" }, null],
  [{ quality: "1080p", most: "0.01" }, "most"],
  [{ quality: "1080p", loudness: "3" }, "loudness"],
  [{ quality: "1080p", captions: "fr" }, "captions"],
])("%j: the problem is under %s", async (fields, at) => {
  const read = await wished(fields);
  expect(Array.isArray(read) ? null : Object.keys(read)).toEqual(at === null ? null : [at]);
});

test("a limit that leaves no picture is refused with what would do", async () => {
  const read = await readRenderWish(new URLSearchParams({ quality: "1080p", most: "0.2" }), { ...there, seconds: 60 });
  expect(read).toEqual({
    ok: false,
    problems: { most: expect.stringMatching(/60\.0 s need 0\.5\d MB at least/) as string },
  });
});
