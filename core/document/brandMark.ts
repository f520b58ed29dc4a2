import { type DesignFieldId } from "./fields";

/** What of the brand stands in a scene without being filled in. A scene shows one of them at most. */
export const BRAND_MARKS = ["logo", "watermark"] as const;
export type BrandMark = (typeof BRAND_MARKS)[number];

export const MARK_TITLES: Readonly<Record<BrandMark, string>> = { logo: "Logo", watermark: "Watermark" };

/** A mark of the brand in a scene, where it is pointed at. No slot's address is like it. */
export type MarkKey = `brand.${BrandMark}:${string}`;

/** @param scene its id */
export const markKey = (mark: BrandMark, scene: string): MarkKey => `brand.${mark}:${scene}`;

/** Which mark of which scene a key names; null where it is none of a mark. */
export function markOfKey(key: string): { readonly mark: BrandMark; readonly scene: string } | null {
  const mark = BRAND_MARKS.find((one) => key.startsWith(`brand.${one}:`));
  return mark ? { mark, scene: key.slice(`brand.${mark}:`.length) } : null;
}

/** The field that holds where a mark was placed by hand. */
export const PLACE_OF_MARK = {
  logo: "logoPlace",
  watermark: "watermarkPlace",
} as const satisfies Record<BrandMark, DesignFieldId>;
