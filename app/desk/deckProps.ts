import { type MarkKey } from "../../core/document/brandMark";
import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type SlotKey } from "../../core/document/sceneTemplate";
import { type Finding } from "../../core/preflight/finding";
import { type ProofSheet } from "../../core/scene/proofSheet";
import { type SceneSpan } from "../../core/time/timeline";
import { type DeckChoices } from "./deckChoices";
import { type PlacedKey } from "../../core/document/placedKey";
import { type Newest } from "./useNewestWords";
import { type Present } from "./usePresence";

/** What the sheet shows, and what can be done in it. */
export interface DeckProps {
  readonly document: Promotion;
  readonly newest: Newest;
  readonly promotion: ResolvedPromotion;
  readonly prepared: readonly ProofSheet[];
  readonly findings: readonly Finding[];
  readonly choices: DeckChoices;
  readonly marked: PlacedKey | null;
  /** What is taken together, to be aligned. */
  readonly several: readonly PlacedKey[];
  readonly onSeveral: (key: PlacedKey, isOn: boolean) => void;
  /** Who else is here. */
  readonly present: readonly Present[];
  /** Whether this person may change what templates lock. */
  readonly free: boolean;
  readonly onMark: (slot: SlotKey, scene: SceneSpan) => void;
  readonly onEdit: (edit: Edit) => void;
  readonly onProblem: (problem: string) => void;
  /** Asks for handles on a slot or a mark of the brand. */
  readonly onPlace: (key: SlotKey | MarkKey, span: SceneSpan) => void;
  /** An item that comes in with a scene is taken in hand. */
  readonly onPlaceItem: (id: string, scene: string) => void;
  /** Shows a moment of the promotion, in milliseconds. */
  readonly onLookAt: (time: number) => void;
  readonly onDropFiles: (slot: SlotKey, files: FileList) => void;
}
