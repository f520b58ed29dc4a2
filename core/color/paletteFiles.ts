import { parseColor } from "./typedColor";
import { parseHex } from "./srgb";
import { Refusal } from "../refusal";

/** A named colour of a brand, with its role if it has one. */
export interface NamedColor {
  readonly name: string;
  readonly hex: string;
}
export interface PaletteFile {
  readonly name: string;
  readonly colors: readonly NamedColor[];
}

export const PALETTE_FORMATS = ["tokens", "gpl", "css"] as const;
export type PaletteFormat = (typeof PALETTE_FORMATS)[number];

const MOST_COLORS = 256;

/** A name as a token's: letters, digits and hyphens, never all digits (JSON objects would sort such keys first). */
function slug(name: string): string {
  const plain = name
    .trim()
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, "-")
    .replace(/^-+|-+$/g, "");
  return /^\p{L}/u.test(plain) ? plain : `colour-${plain}`.replace(/-$/, "");
}

/**
 * Colours as a design tokens file (W3C Design Tokens Format Module 2025.10: `$type` `color`, sRGB components and hex).
 * The brand's and the colours' names are kept in `$description`.
 */
export function writeTokens({ name, colors }: PaletteFile): string {
  const group = Object.fromEntries(
    uniqueKeys(colors).map(([key, color]) => {
      const { r, g, b } = parseHex(color.hex);
      const components = [r, g, b].map((channel) => Number(channel.toFixed(4)));
      return [
        key,
        { $type: "color", $value: { colorSpace: "srgb", components, hex: color.hex }, $description: color.name },
      ];
    }),
  );
  return `${JSON.stringify({ $description: name, colour: group }, null, 2)}\n`;
}

/** Reads a design tokens file: every colour token in any group, older files with hex texts included. Throws, naming what is wrong. */
export function readTokens(text: string): PaletteFile {
  let parsed: unknown;
  try {
    parsed = JSON.parse(text);
  } catch {
    throw new Refusal("This is not a design tokens file: it is not JSON.");
  }
  if (typeof parsed !== "object" || parsed === null || Array.isArray(parsed))
    throw new Refusal("This is not a design tokens file: it must be a JSON object.");
  const colors: NamedColor[] = [];
  const walk = (value: unknown, path: readonly string[], inherited: string | undefined): void => {
    if (typeof value !== "object" || value === null || path.length > 12) return;
    const type = "$type" in value && typeof value.$type === "string" ? value.$type : inherited;
    if ("$value" in value) {
      const hex = type === "color" ? tokenHex(value.$value, path) : null;
      const described = "$description" in value && typeof value.$description === "string" ? value.$description : "";
      if (hex) colors.push({ name: described || (path.at(-1) ?? "colour"), hex });
      return;
    }
    for (const [key, inner] of Object.entries(value)) if (!key.startsWith("$")) walk(inner, [...path, key], type);
  };
  walk(parsed, [], undefined);
  const name = "$description" in parsed && typeof parsed.$description === "string" ? parsed.$description : "";
  return checked({ name, colors }, "design tokens file");
}

function tokenHex(value: unknown, path: readonly string[]): string | null {
  if (typeof value === "string") return value.startsWith("{") ? null : parseColor(value);
  if (typeof value === "object" && value !== null) {
    if ("hex" in value && typeof value.hex === "string") return parseColor(value.hex);
    if (
      "components" in value &&
      Array.isArray(value.components) &&
      "colorSpace" in value &&
      typeof value.colorSpace === "string"
    ) {
      const space = value.colorSpace;
      const parts = value.components.map((part) => (part === "none" ? "none" : String(Number(part)))).join(" ");
      return parseColor(
        space === "oklch" || space === "oklab" || space === "hsl" || space === "lab" || space === "lch"
          ? `${space}(${parts})`
          : `color(${space} ${parts})`,
      );
    }
  }
  throw new Refusal(`The token “${path.join(".")}” holds a colour that can't be read.`);
}

/** Colours as a `.gpl` palette. */
export function writeGpl({ name, colors }: PaletteFile): string {
  const rows = colors.map((color) => {
    const { r, g, b } = parseHex(color.hex);
    return `${[r, g, b].map((channel) => String(Math.round(channel * 255)).padStart(3)).join(" ")}\t${oneLine(color.name)}`;
  });
  return `GIMP Palette\nName: ${oneLine(name)}\nColumns: 0\n#\n${rows.map((row) => `${row}\n`).join("")}`;
}

/** Reads a `.gpl` palette. Throws, naming the line. */
export function readGpl(text: string): PaletteFile {
  const lines = text.replace(/^\ufeff/, "").split(/\r?\n/);
  if (lines[0]?.trim() !== "GIMP Palette")
    throw new Refusal("This is not a .gpl palette: its first line is not the one that they begin with.");
  let name = "";
  const colors: NamedColor[] = [];
  lines.slice(1).forEach((line, index) => {
    const named = /^Name:\s*(.*)$/.exec(line);
    if (named) name = named[1]?.trim() ?? "";
    if (named || /^(Columns:.*|#.*|\s*)$/.test(line)) return;
    const found = /^\s*(\d{1,3})\s+(\d{1,3})\s+(\d{1,3})(?:\s+(.*))?$/.exec(line);
    const channels = found?.slice(1, 4).map(Number);
    if (!channels || channels.some((channel) => channel > 255))
      throw new Refusal(`Line ${index + 2} of the palette is not a colour: “${line.slice(0, 40)}”.`);
    colors.push({ name: found?.[4]?.trim() || "Untitled", hex: parseColor(`rgb(${channels.join(", ")})`) });
  });
  return checked({ name, colors }, ".gpl palette");
}

/** Colours as CSS custom properties on `:root`. */
export function writeCss({ name, colors }: PaletteFile): string {
  const lines = uniqueKeys(colors).map(
    ([key, color]) => `  --${key}: ${color.hex}; /* ${oneLine(color.name).replaceAll("*/", "")} */`,
  );
  return `/* ${oneLine(name).replaceAll("*/", "")} */\n:root {\n${lines.map((line) => `${line}\n`).join("")}}\n`;
}

/** Reads the colours among a style sheet's custom properties; other properties are passed over. */
export function readCss(text: string): PaletteFile {
  const name = /^\s*\/\*\s*(.*?)\s*\*\//.exec(text)?.[1] ?? "";
  const colors: NamedColor[] = [];
  for (const [, key = "", value = "", described] of text.matchAll(
    /--([\w\p{L}-]+)\s*:\s*([^;{}]+);(?:[ \t]*\/\*\s*(.*?)\s*\*\/)?/gu,
  )) {
    try {
      colors.push({ name: described || key, hex: parseColor(value) });
    } catch {
      continue;
    }
  }
  return checked({ name, colors }, "style sheet");
}

/** Reads a palette file of any of the known formats, told apart by its text. */
export function readPaletteFile(text: string): PaletteFile {
  if (text.replace(/^\ufeff/, "").startsWith("GIMP Palette")) return readGpl(text);
  return /^\s*\ufeff?\s*\{/.test(text) ? readTokens(text) : readCss(text);
}

export const writePaletteFile = (format: PaletteFormat, file: PaletteFile): string =>
  ({ tokens: writeTokens, gpl: writeGpl, css: writeCss })[format](file);

function checked(file: PaletteFile, what: string): PaletteFile {
  if (file.colors.length === 0) throw new Refusal(`This ${what} holds no colours.`);
  if (file.colors.length > MOST_COLORS)
    throw new Refusal(`This ${what} holds ${file.colors.length} colours; the limit is ${MOST_COLORS}.`);
  return file;
}

const oneLine = (text: string): string => text.replace(/[\p{Cc}]+/gu, " ").trim();

function uniqueKeys(colors: readonly NamedColor[]): (readonly [string, NamedColor])[] {
  const seen = new Map<string, number>();
  return colors.map((color) => {
    const key = slug(color.name);
    const count = (seen.get(key) ?? 0) + 1;
    seen.set(key, count);
    return [count === 1 ? key : `${key}-${count}`, color] as const;
  });
}
