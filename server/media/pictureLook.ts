import sharp from "sharp";
import smartcrop, { type CropOptions } from "smartcrop";
import { type DominantColor, dominantColors } from "../../core/color/dominant";
import { type FocalPoint, CENTRE } from "../../core/geometry/framing";
import { type SourceQuality, sourceQuality } from "../../core/picture/sourceQuality";
import { HASH_SIDE, perceptualHash } from "../../core/picture/perceptualHash";

/** What a picture looks like, measured from a small copy. */
export interface PictureLook {
  readonly colors: readonly DominantColor[];
  readonly focal: FocalPoint;
  /** The perceptual hash as a signed 64-bit number, which is what the database column holds. */
  readonly hash: string;
  /** As sharp measures it: the standard deviation of the Laplacian; below about 1 a photograph is soft. */
  readonly sharpness: number;
  readonly quality: SourceQuality;
}

const COLOR_SIDE = 64;
const SUBJECT_SIDE = 256;
/** As large as most promotions are rendered: a fault that goes when it is made smaller is none. */
const QUALITY_SIDE = 1080;

/** Measures any picture sharp can read. */
export async function pictureLook(path: string): Promise<PictureLook> {
  const small = await sharp(path)
    .ensureAlpha()
    .toColorspace("srgb")
    .resize({ width: COLOR_SIDE, height: COLOR_SIDE, fit: "inside" })
    .raw()
    .toBuffer();
  const grey = await sharp(path)
    .flatten({ background: "#ffffff" })
    .greyscale()
    .resize(HASH_SIDE, HASH_SIDE, { fit: "fill" })
    .raw()
    .toBuffer();
  const { sharpness } = await sharp(path).stats();
  return {
    colors: dominantColors(small),
    focal: await subjectOf(path),
    hash: BigInt.asIntN(64, perceptualHash(new Uint8Array(grey))).toString(),
    sharpness: Number(sharpness.toFixed(2)),
    quality: await qualityOf(path),
  };
}

async function qualityOf(path: string): Promise<SourceQuality> {
  const { data, info } = await sharp(path)
    .flatten({ background: "#ffffff" })
    .greyscale()
    .resize({ width: QUALITY_SIDE, height: QUALITY_SIDE, fit: "inside", withoutEnlargement: true })
    .raw()
    .toBuffer({ resolveWithObject: true });
  return sourceQuality({ width: info.width, height: info.height, grey: new Uint8Array(data) });
}

interface Pixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8ClampedArray;
}
interface PixelOptions extends CropOptions {
  readonly prescale: boolean;
  readonly imageOperations: {
    open(image: Pixels): Promise<Pixels>;
    resample(image: Pixels): Pixels;
    getData(image: Pixels): Promise<Pixels>;
  };
}

/** Its own types know pictures of a browser only; what it does with ours is said in `imageOperations`. */
const cropper: { crop(image: object, options: PixelOptions): ReturnType<typeof smartcrop.crop> } = smartcrop;

/** Where the subject is, by edges, skin tones and saturation (smartcrop): the middle of the best square. */
export async function subjectOf(path: string): Promise<FocalPoint> {
  const { data, info } = await sharp(path)
    .flatten({ background: "#ffffff" })
    .ensureAlpha()
    .resize({ width: SUBJECT_SIDE, height: SUBJECT_SIDE, fit: "inside" })
    .raw()
    .toBuffer({ resolveWithObject: true });
  const { width, height } = info;
  const side = Math.min(width, height) * 0.7;
  const image = { width, height, data: new Uint8ClampedArray(data) };
  const options: PixelOptions = {
    width: side,
    height: side,
    prescale: false,
    minScale: 0.8,
    imageOperations: {
      open: () => Promise.resolve(image),
      resample: () => image,
      getData: () => Promise.resolve(image),
    },
  };
  const { topCrop } = await cropper.crop(image, options);
  const share = (value: number): number => Number(Math.min(1, Math.max(0, value)).toFixed(3));
  return Number.isFinite(topCrop.x)
    ? { x: share((topCrop.x + topCrop.width / 2) / width), y: share((topCrop.y + topCrop.height / 2) / height) }
    : CENTRE;
}
