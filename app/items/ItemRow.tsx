import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { ArrowDown, ArrowUp, Copy, Hash, Shapes, SlidersHorizontal, Trash2, Type } from "lucide-react";
import { type ChangeEvent, type ReactNode } from "react";
import { putItem, takeOutItem } from "../../core/document/edits";
import { repeatItem, restackItem } from "../../core/document/itemEdits";
import { itemKey } from "../../core/document/itemKey";
import { COUNT, FIRST_LOOKS, type Item, isLettered } from "../../core/document/items";
import { STICKER_TITLES } from "../../core/document/stickers";
import { ItemFields } from "./ItemFields";
import { type ItemListProps } from "./itemListProps";
import { WordsInput } from "../words/WordsInput";
import { StickerPicture } from "./StickerPicture";

/** One item: what it says or is, its settings, its order, and taking it out. */
export function ItemRow({
  id,
  ...list
}: ItemListProps & {
  id: string;
}) {
  const { document, scenes, facts, marked, several, onSeveral, onEdit, onPlace } = list;
  const item = document.items[id];
  if (!item) return null;
  const title = titleOf(item);
  const write = (text: string): void => {
    if (isLettered(item)) onEdit({ ...putItem(id, { ...item, text }), label: "Words" });
  };
  const take = (): void => onPlace(id);
  const choose = (event: ChangeEvent<HTMLInputElement>): void => onSeveral(itemKey(id), event.target.checked);
  const restack = (by: 1 | -1): void => {
    const edit = restackItem(document, id, by);
    if (edit) onEdit(edit);
  };
  function repeat(): void {
    const made = repeatItem(document, id);
    if (!made) return;
    onEdit(made.edit);
    onPlace(made.id);
  }
  return (
    <li
      data-slot={itemKey(id)}
      tabIndex={-1}
      className={`flex items-center gap-2 border-l-2 pl-2 ${marked === id ? "border-accent" : "border-rule"}`}
    >
      <input
        type="checkbox"
        aria-label={`Choose ${title} with others`}
        title="Choose several, to align them"
        className="h-4 w-4 shrink-0 accent-accent"
        checked={several.includes(itemKey(id))}
        onChange={choose}
      />
      <span className="flex w-5 justify-center text-soft">{signOf(item)}</span>
      {isLettered(item) ? (
        <WordsInput
          label={`Words of ${title}`}
          text={item.text}
          hint={item.kind === "counter" ? `${COUNT} stands for the number` : undefined}
          facts={facts}
          className="py-1!"
          onFocus={take}
          onWrite={write}
        />
      ) : (
        <button type="button" onClick={take} className="min-w-0 flex-1 truncate text-left text-[14px] hover:underline">
          {title}
        </button>
      )}
      <Popover className="relative flex">
        <PopoverButton
          onClick={take}
          aria-label={`${title}: size, colour, time`}
          title="Size, colour, time"
          className="p-1 text-soft hover:text-ink"
        >
          <SlidersHorizontal aria-hidden size={15} />
        </PopoverButton>
        <PopoverPanel
          anchor={{ to: "right start", gap: 8 }}
          className="z-20 flex w-[440px] flex-col gap-3 border border-rule bg-card p-4 shadow-xl"
        >
          <ItemFields
            document={document}
            id={id}
            item={item}
            scenes={scenes}
            palette={facts.brand.palette}
            today={facts.standing.today}
            onEdit={onEdit}
          />
          <div className="flex gap-4 border-t border-rule pt-3 text-[13.5px]">
            <Tool icon={<ArrowUp aria-hidden size={14} />} text="Further up" onPress={() => restack(1)} />
            <Tool icon={<ArrowDown aria-hidden size={14} />} text="Further down" onPress={() => restack(-1)} />
            <Tool icon={<Copy aria-hidden size={14} />} text="Repeat" onPress={repeat} />
          </div>
        </PopoverPanel>
      </Popover>
      <button
        type="button"
        onClick={() => onEdit(takeOutItem(document, id))}
        aria-label={`Take ${title} out`}
        title="Take it out"
        className="p-1 text-soft hover:text-wrong"
      >
        <Trash2 aria-hidden size={15} />
      </button>
    </li>
  );
}

function titleOf(item: Item): string {
  if (isLettered(item)) return `“${item.text}”`;
  return item.kind === "sticker" ? `${STICKER_TITLES[item.sticker]}, sticker` : FIRST_LOOKS[item.kind].title;
}

function signOf(item: Item): ReactNode {
  if (item.kind === "words") return <Type aria-hidden size={14} />;
  if (item.kind === "counter") return <Hash aria-hidden size={14} />;
  if (item.kind === "sticker") return <StickerPicture sticker={item.sticker} size={16} />;
  return <Shapes aria-hidden size={14} />;
}

const Tool = ({ icon, text, onPress }: { icon: ReactNode; text: string; onPress: () => void }) => (
  <button type="button" onClick={onPress} className="flex items-center gap-1.5 hover:underline">
    {icon} {text}
  </button>
);
