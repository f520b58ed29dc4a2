import { type InkedJoin } from "../document/joins";
import { type SlotFraming } from "../document/slotFraming";
import { type SlotKey } from "../document/sceneTemplate";
import { type FramedPicture, type Way } from "../geometry/framedPicture";
import { type Rect } from "../geometry/rect";
import { type ExitKind, type MotionKind } from "../motion/wordMotion";
import { type PlacedOverlay } from "./overlayNodes";
import { type PictureMotion } from "../motion/pictureMotion";
import { type WordEase } from "../motion/easing";
import { type While } from "../motion/whileShown";
import { type Track } from "../time/tracks";
import { type CutMedia } from "./shotTrack";
import { type FittedWords } from "../type/fit";
import { type DisplayNode, type StillNode } from "./displayList";

/** A part of a scene and how it behaves in time. Times are milliseconds from the scene's start. */
export type ScenePart = Part & Staying;

/** What two scenes that are one shot both show stays over the join between them. */
export interface Staying {
  /** Whether it is there in the scene before too. */
  readonly wasThere?: true | undefined;
  /** Whether it is there in the next scene too. */
  readonly staysOn?: true | undefined;
}

type Part =
  | { readonly kind: "fixed"; readonly node: DisplayNode }
  | MediaPart
  | {
      readonly kind: "moving";
      readonly motion: MotionKind;
      readonly enters: number;
      /** When it has left, if not with the scene. */
      readonly until?: number | undefined;
      /** How it goes, where it does not go as it came. */
      readonly exit?: ExitKind | undefined;
      /** How far and in which way it comes in, where that is not as usual. */
      readonly strength?: number | undefined;
      readonly ease?: WordEase | undefined;
      /** What of it comes in by itself, and how much later than the first: all of it together is the whole. */
      readonly pieces?: readonly MovingPiece[] | undefined;
      /** How it moves while it is there. */
      readonly moves?: While | undefined;
      readonly atRest: StillNode;
      /** What it changes into, in order, and when. */
      readonly later?: readonly LaterNode[] | undefined;
    }
  | FillingPart
  | SoundingPart;

/** A piece of words that comes in by itself. */
export interface MovingPiece {
  /** Milliseconds after the first. */
  readonly after: number;
  readonly atRest: StillNode;
}

/** What something looks like from a time on. */
export interface LaterNode {
  readonly from: number;
  readonly atRest: StillNode;
}

/** The colours of what goes on with time. */
export interface BarLook {
  readonly ink: string;
  /** How much is seen of it, 0 to 1. Whole where it is not said. */
  readonly opacity?: number | undefined;
  /** How much of that is seen of what is still to come, 0 to 1. */
  readonly ahead: number;
}

/** A line of bars that are as high as what is heard around now is loud. */
export interface SoundingPart extends BarLook {
  readonly kind: "sounding";
  readonly place: Rect;
  /** 0 to 1, every so many milliseconds, beginning so many before the scene does. */
  readonly levels: readonly number[];
  readonly step: number;
  readonly before: number;
}

/** A bar that fills from its start to the end of its scene. */
export interface FillingPart extends BarLook {
  readonly kind: "filling";
  readonly place: Rect;
}

/** What stands free before its ground: the two move against each other. */
export interface Apart {
  readonly ground: readonly DisplayNode[];
  readonly figure: DisplayNode;
  /** How far: 1 is as far as is usual. */
  readonly by: number;
  /** Nothing of either is seen beyond it. */
  readonly within: Rect;
}

/** A picture that may zoom slowly, or a clip that plays: a piece of it, as it is on screen in a place. */
export interface PlacedShot extends CutMedia {
  /** Which use of the clip this is: one that is used twice is at a frame of its own in each. */
  readonly use: string;
  readonly drift: "in" | "out" | "none";
  /** Whether a clip plays. One that is blurred or casts a shadow stands still. */
  readonly plays: boolean;
  /** How it is framed; null where the arrangement says so. */
  readonly framing: SlotFraming | null;
  /** What is seen beside it. */
  readonly under: readonly DisplayNode[];
  /** How it comes in over the shot before it; it follows at once where this is not there. */
  readonly join?: InkedJoin | undefined;
  /** What is laid over it; not there where nothing is. */
  readonly over?: readonly PlacedOverlay[] | undefined;
  /** Not there where it is one with its ground. */
  readonly apart?: Apart | undefined;
  /** The picture without movement, over what is under it: the same object in every frame. */
  readonly atRest: DisplayNode;
}

/** What is in a slot: one shot after the other. */
export interface MediaPart {
  readonly kind: "media";
  readonly track: Track<PlacedShot>;
  readonly place: Rect;
  /** When it arrives; null when it is there from the start. */
  readonly enters: number | null;
  readonly wipes: "across" | "down" | null;
  /** How it moves in its place; not there where it rests. */
  readonly motion?: PictureMotion | undefined;
  /** Nothing of what moves is seen beyond it; not there where it casts a shadow around itself. */
  readonly within?: Rect | undefined;
}

/** What was put between words and the picture behind them. */
export interface ChosenBacking {
  readonly kind: "plain" | "shade" | "panel" | "blur";
  /** Of the shade, 0 to 1. */
  readonly alpha: number;
  /** The contrast that 95 % of the pixels behind the words reach; null where the picture was not measured. */
  readonly contrast: number | null;
  readonly wanted: number;
}

/** How a picture lies in its place, in numbers. */
export interface FramedNumbers extends Pick<FramedPicture, "scale" | "lost" | "subject" | "bars"> {
  readonly way: Way;
}

/** A slot in its place, for drawing handles, tests and findings. */
export interface PlacedSlot {
  readonly key: SlotKey;
  /** Parts of an offer share one key and are told apart by their role. */
  readonly part: string;
  readonly kind: "words" | "logo" | "picture";
  readonly place: Rect;
  /** Where a logo itself is, without its plate. */
  readonly logo?: Rect;
  readonly text: string;
  readonly fitted: FittedWords | null;
  readonly smallest: number;
  /** The ink of words. */
  readonly ink?: string;
  /** How a picture lies in its place. */
  readonly framed?: FramedNumbers | undefined;
  /** When words come in and go, where somebody said so; see `SlotTimes`. */
  readonly times?: { readonly comes: number; readonly goes: number } | undefined;
  /** Set where words stand on a picture. */
  readonly backing?: ChosenBacking | undefined;
}

/** One scene in one format with all its words set: everything but time. */
export interface PreparedScene {
  readonly slots: readonly PlacedSlot[];
  readonly parts: readonly ScenePart[];
  readonly length: number;
  /** Whether things leave before the scene ends: not in the last one. */
  readonly leaves: boolean;
}

/** An item in one format: a scene of its own that lies over the others. */
export interface PreparedItem extends PreparedScene {
  readonly id: string;
  /** Where it stands, upright. */
  readonly place: Rect;
}
