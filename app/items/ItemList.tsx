import { addItem } from "../../core/document/itemEdits";
import { type ItemPreset } from "../../core/document/itemPresets";
import { type Item } from "../../core/document/items";
import { membersInOrder } from "../../core/document/ordered";
import { type Edit } from "../../core/document/edit";
import { type TextSet, addTextSet, textSets } from "../../core/document/textSets";
import { AddItem } from "./AddItem";
import { type ItemListProps } from "./itemListProps";
import { ItemRow } from "./ItemRow";

/** What lies over a scene, each a row, the topmost first, and what can be put there. */
export function ItemList(props: ItemListProps) {
  const { document, scene, facts, onEdit, onPlace, onProblem } = props;
  const own = membersInOrder<string, Item>(document.items)
    .filter(({ from }) => from === scene.id)
    .reverse();
  function put(made: () => { readonly id: string; readonly edit: Edit }): void {
    try {
      const { id, edit } = made();
      onEdit(edit);
      onPlace(id);
    } catch (error) {
      onProblem(error instanceof Error ? error.message : String(error));
    }
  }
  const add = (preset: ItemPreset): void => put(() => addItem(document, scene.id, preset));
  const addSet = (set: TextSet): void =>
    put(() => {
      const { ids, edit } = addTextSet(document, scene.id, set);
      return { id: ids.at(-1) ?? "", edit };
    });
  return (
    <div className="mt-1.5 flex flex-col gap-1.5">
      {own.length > 0 && (
        <ul aria-label={`Over ${scene.name}`} className="flex flex-col gap-1">
          {own.map(({ id }) => (
            <ItemRow key={id} {...props} id={id} />
          ))}
        </ul>
      )}
      <AddItem scene={scene.name} sets={textSets(facts)} today={facts.standing.today} onAdd={add} onAddSet={addSet} />
    </div>
  );
}
