import fc from "fast-check";

const ALPHABETS = {
  latin: "abcdefghijklmnopqrstuvwxyzÀÉÖßåçñABCDEFGHW0123456789.,!?’-%£€",
  arabic: "ابتثجحخدذرزسشصضطظعغفقكلمنهوي",
  devanagari: "अआइईउऊएऐओऔकखगघचछजझटठडढतथदधनपफबभमयरलवशसह",
  japanese: "あいうえおかきくけこさしすせそたちつてとアイウエオカキク日本語春夏秋冬花木苗店。、",
  emoji: ["🌱", "🪴", "🌻", "👩‍🌾", "❤️", "🇯🇵", "👍🏽", "☕"],
} as const;

const letters = Object.values(ALPHABETS).map((alphabet) =>
  typeof alphabet === "string" ? Array.from(alphabet) : alphabet,
);

/** Words as people might type them: one to 160 characters of one script or of several, with blanks. */
export const anyWords: fc.Arbitrary<string> = fc
  .array(
    fc.oneof(
      ...letters.map((alphabet) =>
        fc.array(fc.constantFrom(...alphabet), { minLength: 1, maxLength: 14 }).map((word) => word.join("")),
      ),
    ),
    { minLength: 1, maxLength: 24 },
  )
  .map((words) => Array.from(words.join(" ")).slice(0, 160).join("").trim())
  .filter((text) => text !== "");
