import { MOST_SPOKEN_LETTERS, sentencesOf } from "./sentences";
import { VOICE_NAMES, languageOf } from "./voices";

test.each<[string, string, string, string[]]>([
  [
    "prices, dates and apostrophes do not end a sentence",
    "en",
    "It's £4.50 until 3.12.2026. Isn't it?",
    ["It's £4.50 until 3.12.2026.", "Isn't it?"],
  ],
  ["lines end one too", "en", "Come on Friday\r\nBring a friend", ["Come on Friday", "Bring a friend"]],
  ["what can't be said is left out", "en", "… !\n—\nYes.\n   ", ["Yes."]],
  ["from right to left", "ar", "مرحبا بكم. تعالوا غدا!", ["مرحبا بكم.", "تعالوا غدا!"]],
  ["in a script without spaces", "ja", "いらっしゃいませ。今日は安い。", ["いらっしゃいませ。", "今日は安い。"]],
  ["nothing", "en", "  \n ", []],
])("%s", (_, language, script, sentences) => {
  expect(sentencesOf(script, language)).toEqual(sentences);
});

test("nothing of a long script is lost", () => {
  const script = "Herbs for the window. ".repeat(200).slice(0, MOST_SPOKEN_LETTERS);
  expect(sentencesOf(script, "en").join(" ")).toBe(script.trim());
});

test("each voice speaks a language that captions can be in", () => {
  for (const voice of VOICE_NAMES) expect([voice, languageOf(voice)]).toEqual([voice, voice.slice(0, 2)]);
});
