import { type Corner, type FaceRole, type LogoVariant } from "../brand/book";
import { type BrandForm } from "../brand/forms";
import { type DominantColor } from "../color/dominant";
import { type Palette } from "../color/palette";
import { type FocalPoint } from "../geometry/framing";
import { type SubjectPath } from "../geometry/subjectPath";
import { type OfferLines } from "../offer/offerLines";
import { type FrameRate } from "../time/frames";
import { type FaceChoice, type OwnFace } from "../type/faces";
import { type SourceQuality } from "../picture/sourceQuality";
import { type Tones } from "../picture/tones";
import { type Placement } from "../placement/placements";
import { type Look } from "./look";
import { type Standing } from "./standing";
import { type Template } from "./template";

/** What a media item is, as ingest measured it. Sizes are upright, square pixels of the largest working copy. */
export type MediaFacts = PictureFacts | ClipFacts | SoundFacts;

interface MediaFactsBase {
  readonly id: string;
  readonly name: string;
  /** Names the bytes of its working copies: another one when its file is replaced. Absent where nobody fetches them. */
  readonly version?: string | undefined;
}
export interface PictureFacts extends MediaFactsBase {
  readonly kind: "picture";
  readonly width: number;
  readonly height: number;
  /** How many working copies there are, each half the one before. */
  readonly levels: number;
  readonly focal: FocalPoint;
  /** What it is made of, largest share first; none for what was read in before this was measured. */
  readonly colors?: readonly DominantColor[] | undefined;
  /** What its pixels are like, place by place; of a clip at several moments. Absent until measured or fetched. */
  readonly tones?: readonly Tones[] | undefined;
  /** What is wrong with its pixels; absent for what was read in before this was measured. */
  readonly quality?: SourceQuality | undefined;
  /** Whether it stands free, with nothing around it. */
  readonly cutOut?: boolean | undefined;
  /** How it looks where it is shown; absent where its colours are its own. */
  readonly shownLook?: Look | undefined;
}
export interface ClipFacts extends MediaFactsBase {
  readonly kind: "clip";
  readonly width: number;
  readonly height: number;
  readonly frames: number;
  readonly rate: FrameRate;
  readonly hasSound: boolean;
  /** The highest level of its sound in each of many equal stretches from its start to its end, 0 to 100. */
  readonly soundLevels?: readonly number[] | undefined;
  /** The poster's working copies, used where one still stands for the clip. */
  readonly levels: number;
  readonly focal: FocalPoint;
  /** What is wrong with the pixels of its poster. */
  readonly quality?: SourceQuality | undefined;
  /** Where its subject is from frame to frame. Absent until it was looked for, and where somebody set a point for all of it. */
  readonly subject?: SubjectPath | undefined;
  readonly tones?: readonly Tones[] | undefined;
  /** How it looks where it is shown; absent where its colours are its own. */
  readonly shownLook?: Look | undefined;
}
export interface SoundFacts extends MediaFactsBase {
  readonly kind: "sound";
  /** Milliseconds. */
  readonly length: number;
  /** Integrated loudness in LUFS; null for silence. */
  readonly loudness: number | null;
  /** Highest true peak in dBTP; null for silence. */
  readonly peak: number | null;
  /** The highest level in each of many equal stretches from its start to its end, 0 to 100. */
  readonly levels?: readonly number[] | undefined;
}

export interface BrandFacts {
  readonly id: string;
  readonly name: string;
  readonly palette: Palette;
  readonly faces: Readonly<Record<FaceRole, FaceChoice>>;
  /** The files of faces that the team brought itself. */
  readonly ownFaces: readonly OwnFace[];
  /** The two lines of a sign-off, in words. */
  readonly signOff: { readonly first: string; readonly second: string };
  readonly call: string;
  /** What its scenes are revealed in; a cut card where nothing was chosen. */
  readonly form?: BrandForm | undefined;
  /** Without the scheme, as it is written in the brand book. */
  readonly website: string;
  /** The first of its handles; empty where it has none. */
  readonly handle: string;
  readonly logos: readonly { readonly variant: LogoVariant; readonly picture: PictureFacts }[];
  /** Clear space as a share of the logo's height; least width in design units. */
  readonly logoRules: { readonly clearSpace: number; readonly leastWidth: number };
  /** Size as a share of the frame's short side; null for none. */
  readonly watermark: { readonly corner: Corner; readonly size: number; readonly opacity: number } | null;
}

export interface ProductFacts {
  readonly id: string;
  readonly name: string;
  readonly line: string;
  /** Its own price, written out in the team's locale. */
  readonly price: string;
  readonly picture: string | null;
}

/** A template in one edition, by `slug@edition`. */
export type TemplatesByRef = Readonly<Record<string, Template>>;
export const templateKey = ({ slug, edition }: { readonly slug: string; readonly edition: number }): string =>
  `${slug}@${edition}`;

/** Everything outside the document that its frames depend on, looked up by id. */
export interface Facts {
  /** The placements that its team posts to; those that ship where absent. */
  readonly placements?: readonly Placement[] | undefined;
  readonly brand: BrandFacts;
  readonly product: ProductFacts | null;
  /** The chosen offer on the chosen product, written out on the server. */
  readonly offer: OfferLines | null;
  /** Products for price lists: those that fills name, and those shown where nothing is filled. */
  readonly products: Readonly<Record<string, ProductFacts>>;
  /** The ids shown where nothing is filled, in order. */
  readonly listed: readonly string[];
  /** Every template that the document's scenes come from. */
  readonly templates: TemplatesByRef;
  readonly media: Readonly<Record<string, MediaFacts>>;
  readonly standing: Standing;
}
