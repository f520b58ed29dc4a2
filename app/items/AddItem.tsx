import { Popover, PopoverButton, PopoverPanel } from "@headlessui/react";
import { Plus } from "lucide-react";
import {
  counterPresets,
  DRAWN_PRESETS,
  type ItemPreset,
  WORDS_PRESETS,
  stickerPreset,
} from "../../core/document/itemPresets";
import { STICKERS, STICKER_TITLES } from "../../core/document/stickers";
import { type TextSet } from "../../core/document/textSets";
import { StickerPicture } from "./StickerPicture";

/** What can be put over a scene: words of one's own, things drawn, stickers. */
export function AddItem({
  scene,
  sets,
  today,
  onAdd,
  onAddSet,
}: {
  scene: string;
  /** Words that belong together. */
  sets: readonly TextSet[];
  /** The day that counters count from. */
  today: string | null;
  onAdd: (preset: ItemPreset) => void;
  onAddSet: (set: TextSet) => void;
}) {
  return (
    <Popover className="relative">
      <PopoverButton
        aria-label={`Put something over scene ${scene}`}
        className="flex items-center gap-1 text-[13px] text-soft underline hover:text-ink"
      >
        <Plus aria-hidden size={14} /> Put something over it
      </PopoverButton>
      <PopoverPanel
        anchor={{ to: "bottom start", gap: 4 }}
        className="z-20 flex w-[380px] flex-col gap-3 border border-rule bg-card p-4 shadow-xl"
      >
        {({ close }) => {
          const add = (preset: ItemPreset): void => {
            onAdd(preset);
            close();
          };
          const addSet = (set: TextSet): void => {
            onAddSet(set);
            close();
          };
          return (
            <>
              <Presets title="Words" presets={WORDS_PRESETS} onAdd={add} />
              <Presets title="Sets of words" presets={sets} onAdd={addSet} />
              <Presets title="Counters" presets={counterPresets(today)} onAdd={add} />
              <Presets title="Drawn" presets={DRAWN_PRESETS} onAdd={add} />
              <section>
                <h3 className="mb-1.5 text-[13px] text-soft">Stickers</h3>
                <div className="grid grid-cols-8 gap-1.5">
                  {STICKERS.map((sticker) => (
                    <button
                      key={sticker}
                      type="button"
                      aria-label={`Sticker: ${STICKER_TITLES[sticker]}`}
                      title={STICKER_TITLES[sticker]}
                      onClick={() => add(stickerPreset(sticker, STICKER_TITLES[sticker]))}
                      className="flex h-9 items-center justify-center text-ready hover:bg-[#f3ecdd] hover:text-accent"
                    >
                      <StickerPicture sticker={sticker} size={24} />
                    </button>
                  ))}
                </div>
              </section>
            </>
          );
        }}
      </PopoverPanel>
    </Popover>
  );
}

function Presets<Preset extends { readonly title: string }>({
  title,
  presets,
  onAdd,
}: {
  title: string;
  presets: readonly Preset[];
  onAdd: (preset: Preset) => void;
}) {
  return (
    <section>
      <h3 className="mb-1.5 text-[13px] text-soft">{title}</h3>
      <div className="flex flex-wrap gap-1.5">
        {presets.map((preset) => (
          <button
            key={preset.title}
            type="button"
            onClick={() => onAdd(preset)}
            className="border border-rule bg-white px-2 py-1 text-[13px] hover:border-firm"
          >
            {preset.title}
          </button>
        ))}
      </div>
    </section>
  );
}
