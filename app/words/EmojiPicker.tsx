import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { Smile } from "lucide-react";
import { type ChangeEvent, useEffect, useState } from "react";
import { fieldLook } from "../components/fieldLook";
import { ChoiceField } from "../workshop/ChoiceField";
import { type EmojiGroup, emojiGroups } from "./emojiGroups";

/** Finds an emoji by its name or among its group. */
export function EmojiPicker({ onPick }: { onPick: (emoji: string) => void }) {
  return (
    <Popover className="relative">
      <PopoverButton aria-label="Put an emoji in" title="Put an emoji in" className="p-1.5 text-soft hover:text-ink">
        <Smile aria-hidden size={16} />
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: "bottom end", gap: 4 }}
        className="z-20 flex h-80 w-[336px] flex-col gap-2 border border-rule bg-card p-3 shadow-xl"
      >
        {({ close }) => {
          const pick = (emoji: string): void => {
            close();
            onPick(emoji);
          };
          return <Emojis onPick={pick} />;
        }}
      </PopoverPanel>
    </Popover>
  );
}

const MOST_SHOWN = 400;

function Emojis({ onPick }: { onPick: (emoji: string) => void }) {
  const [groups, setGroups] = useState<readonly EmojiGroup[]>([]);
  const [group, setGroup] = useState("");
  const [words, setWords] = useState("");
  useEffect(() => {
    let isGone = false;
    void emojiGroups().then((all) => {
      if (!isGone) setGroups(all);
    });
    return () => {
      isGone = true;
    };
  }, []);
  const search = (event: ChangeEvent<HTMLInputElement>): void => setWords(event.target.value);
  const wanted = words.trim().toLowerCase();
  const among =
    wanted === "" ? groups.filter(({ name }, index) => (group === "" ? index === 0 : name === group)) : groups;
  const shown = among
    .flatMap(({ emojis }) => emojis)
    .filter(({ name }) => name.includes(wanted))
    .slice(0, MOST_SHOWN);
  return (
    <>
      <input
        type="search"
        autoFocus
        value={words}
        onChange={search}
        placeholder="Search by name"
        aria-label="Search emoji by name"
        className={`${fieldLook} py-1!`}
      />
      {wanted === "" && groups.length > 0 && (
        <ChoiceField
          label="Group"
          choices={groups.map(({ name }) => name)}
          value={group === "" ? (groups[0]?.name ?? "") : group}
          onChange={setGroup}
          className="flex items-center gap-2 text-[13px] text-soft"
        />
      )}
      <div className="grid min-h-0 flex-1 auto-rows-min grid-cols-8 overflow-y-auto">
        {shown.map(({ emoji, name }) => (
          <button
            key={emoji}
            type="button"
            aria-label={name}
            title={name}
            onClick={() => onPick(emoji)}
            className="flex h-9 items-center justify-center text-[20px] hover:bg-[#f3ecdd]"
          >
            {emoji}
          </button>
        ))}
        {groups.length > 0 && shown.length === 0 && (
          <p className="col-span-8 py-4 text-center text-soft">None is called that.</p>
        )}
      </div>
    </>
  );
}
