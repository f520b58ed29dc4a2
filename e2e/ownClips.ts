import { readFile } from "node:fs/promises";
import { basename, join } from "node:path";
import { type Locator, type Page } from "@playwright/test";
import { ffmpeg } from "./files";
import { frameAt } from "./videoFrames";

/** A clip of three seconds that tests make themselves: rows of colours, each spread evenly over its width. */
export async function coloredClip(folder: string, rows: readonly (readonly string[])[]): Promise<string> {
  const path = join(folder, "own-clip.mp4");
  const [width, height] = [1920, 1080];
  const sources = rows.flatMap((row) =>
    row.flatMap((color) => [
      "-f",
      "lavfi",
      "-i",
      `color=c=${color}:s=${width / row.length}x${height / rows.length}:r=30:d=3`,
    ]),
  );
  const places = rows.flatMap((row, down) =>
    row.map((_, across) => `${(across * width) / row.length}_${(down * height) / rows.length}`),
  );
  const stacked =
    places.length > 1 ? ["-filter_complex", `xstack=inputs=${places.length}:layout=${places.join("|")}`] : [];
  await ffmpeg(...sources, ...stacked, "-c:v", "libx264", "-preset", "ultrafast", "-pix_fmt", "yuv420p", path);
  return path;
}

/** Drops a file on a slot, as a hand does. @param slot its button */
export async function dropOn(slot: Locator, path: string): Promise<void> {
  const page = slot.page();
  const bytes = (await readFile(path)).toString("base64");
  const data = await page.evaluateHandle(
    ({ content, name }) => {
      const transfer = new DataTransfer();
      const file = Uint8Array.from(atob(content), (letter) => letter.charCodeAt(0));
      transfer.items.add(new File([file], name, { type: name.endsWith(".png") ? "image/png" : "video/mp4" }));
      return transfer;
    },
    { content: bytes, name: basename(path) },
  );
  await slot.dispatchEvent("drop", { dataTransfer: data });
}

/** Drops a file on the first slot of a name. */
export const dropOnSlot = (page: Page, slot: string, path: string): Promise<void> =>
  dropOn(page.getByRole("button", { name: slot }).first(), path);

/** Downloads a rendition of the newest render, which is ready. @param title of its format */
export async function downloadRendition(page: Page, title: string, folder: string): Promise<string> {
  const newest = page.getByRole("article", { name: /^Render of / }).first();
  const link = newest.getByRole("link", { name: `Download ${title}`, exact: true });
  const [started] = await Promise.all([page.waitForEvent("download"), link.click()]);
  const path = join(folder, `${title}.mp4`);
  await started.saveAs(path);
  return path;
}

/** The colours of a file half a second in, or when asked, at shares of its width and height. */
export async function colorsIn(
  path: string,
  points: readonly (readonly [x: number, y: number])[],
  seconds = 0.5,
): Promise<Rgb[]> {
  const { data, width, height } = await frameAt(path, seconds);
  return points.map(([x, y]): Rgb => {
    const at = (Math.floor(y * height) * width + Math.floor(x * width)) * 3;
    return { r: data[at] ?? 0, g: data[at + 1] ?? 0, b: data[at + 2] ?? 0 };
  });
}
export interface Rgb {
  readonly r: number;
  readonly g: number;
  readonly b: number;
}
export const isRed = (color: Rgb | undefined): boolean =>
  color !== undefined && color.r > 160 && color.g < 90 && color.b < 90;
export const isBlue = (color: Rgb | undefined): boolean =>
  color !== undefined && color.b > 160 && color.r < 90 && color.g < 90;
