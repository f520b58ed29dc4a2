import { type Locator, type Page } from "@playwright/test";

/** Where something stands, in design units. */
export interface Place {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** The handles on what is placed by hand in a format. */
export const handles = (page: Page, format: string): Locator => page.locator(`[data-handles=${format}]`);

/** Where what is placed stands now, as its handles say. */
export async function placeIn(page: Page, format: string): Promise<Place> {
  const said = (await handles(page, format).getAttribute("aria-label")) ?? "";
  const [, x, y, width, height] = /: (-?\d+), (-?\d+), (\d+) by (\d+) units/.exec(said) ?? [];
  return { x: Number(x), y: Number(y), width: Number(width), height: Number(height) };
}

/** Its middle, as far as what is said tells: units are rounded. */
export const centre = ({ x, y, width, height }: Place) => ({
  x: Math.round((x + width / 2) / 2),
  y: Math.round((y + height / 2) / 2),
});
