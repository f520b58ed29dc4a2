import { type Edit } from "../../core/document/edit";
import { type Promotion } from "../../core/document/promotion";
import { type ResolvedPromotion } from "../../core/document/resolve";
import { type ListedPiece } from "../../core/document/soundEdits";
// Erased at run time: a page takes nothing from the server but what its loader gives.
import type { OfferedMedia } from "../../server/media/offeredMedia";

/** What the row of a piece of sound, and its fields, are given. */
export interface SoundPieceProps {
  readonly document: Promotion;
  readonly promotion: ResolvedPromotion;
  /** What the team has to be heard. */
  readonly sounds: readonly OfferedMedia[];
  readonly onChosen: (item: OfferedMedia) => void;
  readonly piece: ListedPiece;
  /** The time that is looked at, in milliseconds. */
  readonly time: number;
  /** Whether only it is heard, until somebody wants to hear the others again. */
  readonly isAlone: boolean;
  readonly onAlone: (id: string | null) => void;
  readonly isOpen: boolean;
  readonly onOpen: (id: string | null) => void;
  /** Somebody wants to say it once more. */
  readonly onAgain: (piece: ListedPiece) => void;
  readonly onEdit: (edit: Edit) => void;
}
