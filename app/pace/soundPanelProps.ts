import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
// Erased at run time: a page takes nothing from the server but what its loader gives.
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { type ProofEngine } from "../proof/proofEngine";

/** What the panel of sounds, and each part of it, is given. */
export interface SoundPanelProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  /** What the team has to be heard. */
  readonly sounds: readonly OfferedMedia[];
  /** The time that is looked at, in milliseconds. */
  readonly time: number;
  /** The language that captions are written in. */
  readonly language: string;
  readonly engine: ProofEngine | null;
  readonly chosen: string | null;
  readonly onChoose: (id: string | null) => void;
  readonly onChosen: (item: OfferedMedia) => void;
  readonly onEdit: (edit: Edit) => void;
  /** Makes an edit of the document as it is by then: for what takes a while, meanwhile others edit too. */
  readonly onMade: (make: (document: Promotion) => Edit | null) => void;
}
