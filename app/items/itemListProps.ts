import { type Edit } from "../../core/document/edit";
import { type Facts } from "../../core/document/facts";
import { type PlacedKey } from "../../core/document/placedKey";
import { type Promotion } from "../../core/document/promotion";

/** What lies over a scene, and what can be done with it. */
export interface ItemListProps {
  readonly document: Promotion;
  /** The scene that they lie over, or begin in. */
  readonly scene: { readonly id: string; readonly name: string };
  /** All scenes, in their order. */
  readonly scenes: readonly { readonly id: string; readonly name: string }[];
  readonly facts: Facts;
  /** What is taken together with others. */
  readonly several: readonly PlacedKey[];
  /** The item in hand. */
  readonly marked: string | null;
  readonly onEdit: (edit: Edit) => void;
  /** An item is taken in hand: it is shown, with handles. */
  readonly onPlace: (id: string) => void;
  readonly onSeveral: (key: PlacedKey, isOn: boolean) => void;
  readonly onProblem: (problem: string) => void;
}
