import { defined } from "../testing/defined";
import { placementById } from "../placement/placements";
import { NO_WORDS, countedLink, fittedWords, lettersOf, postProblems, readPostWords, tagsIn } from "./postWords";

const short = defined(placementById("vertical-short"));
const still = defined(placementById("story-still"));

test("letters are counted as people see them", () => {
  expect(lettersOf("Été 👩‍🌾")).toBe(5);
});

test("tags are taken with and without their signs, once each; what is none is left out", () => {
  expect(tagsIn("#herbs, sage #herbs  #a-b spring_2026")).toEqual(["herbs", "sage", "spring_2026"]);
});

test("what a placement does not take is said, each with both numbers", () => {
  const words = { ...NO_WORDS, title: "x".repeat(101), body: "y".repeat(1001), link: "https://example.com" };
  expect(postProblems({ ...words, tags: tagsIn("a b c d e f g h i j k l m n o p") }, short)).toEqual([
    "title: 101, and Vertical short takes 100",
    "text: 1001, and Vertical short takes 1000",
    "tags: 16, and Vertical short takes 15",
    "Vertical short takes no link",
  ]);
  expect(postProblems({ ...NO_WORDS, body: "Hello" }, still)).toEqual([
    "Story still takes no text",
    "Story still wants words for those who don’t see the picture",
  ]);
});

test("words are fitted to a placement: cut at a word, and without what is not taken", () => {
  const words = { ...NO_WORDS, title: "word ".repeat(30), body: "Text", tags: ["a"], link: "https://example.com" };
  const fitted = fittedWords(words, short.post);
  expect(postProblems(fitted, short)).toEqual([]);
  expect(fitted.title).toMatch(/word…$/);
  expect([fitted.body, fitted.tags, fitted.link]).toEqual(["Text", ["a"], ""]);
});

test("a link says where it was followed from, keeps what it says itself, and is read by the URL standard", () => {
  const from = { channel: "plaza", campaign: "potting-week", placement: "square-feed" };
  const url = new URL(countedLink("https://shop.example.com/pots?size=24&utm_source=mail#top", from));
  expect(Object.fromEntries(url.searchParams)).toEqual({
    ...{ size: "24", utm_source: "mail", utm_medium: "social", utm_campaign: "potting-week" },
    utm_content: "square-feed",
  });
  expect(url.hash).toBe("#top");
  expect(countedLink("not a link", from)).toBe("not a link");
});

test("words that are none are refused", () => {
  expect(() => readPostWords({ ...NO_WORDS, tags: ["two words"] })).toThrow(/without spaces/);
  expect(() => readPostWords({ ...NO_WORDS, link: null })).toThrow();
});
