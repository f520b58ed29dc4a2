import { clsx } from "clsx";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { toast } from "sonner";
import { ownAnswer } from "../components/ownAnswer";
import { isOffered } from "./isOffered";
import { type MediaNeed, missesOf } from "../../core/document/mediaNeed";
import type { OfferedMedia } from "../../server/media/offeredMedia";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { DialogSearch } from "../components/DialogSearch";
import { factLine, thumbAddress } from "../components/mediaLook";
import { useTeamEvents } from "../components/useTeamEvents";
import type { loader } from "../routes/mediaOffered";
import { BringFile } from "./BringFile";
import { missWords, needInWords } from "./missWords";
import { useDropFill } from "./useDropFill";

interface PickerProps {
  readonly title: string;
  /** What may be chosen, and what it should be like. */
  readonly need: MediaNeed;
  readonly chosen: string | null;
  readonly onChoose: (item: OfferedMedia) => void;
  readonly onClose: () => void;
}

/** Chooses a picture or clip of the team: what fits first, then the others, each saying why it does not. */
export function MediaPicker({ open, ...props }: PickerProps & { readonly open: boolean }) {
  return open && <OpenPicker {...props} />;
}

const A_PAGE = 40;

function OpenPicker({ title, need, chosen, onChoose, onClose }: PickerProps) {
  const [words, setWords] = useState("");
  const [most, setMost] = useState(A_PAGE);
  const { load, data, state } = useFetcher<typeof loader>();
  const address = addressOf(need, words, most);
  useEffect(() => void load(address), [address, load]);
  // What somebody brings in meanwhile can be chosen as soon as it is read in.
  useTeamEvents((event) => {
    if (event.topic === "media" && event.state === "ready") void load(address);
  });
  const search = (wanted: string): void => {
    setWords(wanted);
    setMost(A_PAGE);
  };
  const bring = useDropFill<"here">((_, id) => void chooseBrought(id, need, onChoose));
  const bringIn = (files: FileList): void => bring("here", files);
  const fitting = data?.items.filter(({ facts, rights }) => missesOf(facts, rights, need).length === 0) ?? [];
  const others = data?.items.filter((item) => !fitting.includes(item)) ?? [];
  const list = (items: readonly OfferedMedia[]) => (
    <ul className="grid grid-cols-4 gap-4">
      {items.map((item) => (
        <Choice key={item.facts.id} item={item} need={need} isChosen={item.facts.id === chosen} onChoose={onChoose} />
      ))}
    </ul>
  );
  return (
    <DialogFrame
      title={title}
      size="max-w-4xl"
      onClose={onClose}
      tools={
        <DialogSearch
          label="Search media by name or tag"
          placeholder="Search by name or tag"
          words={words}
          onWords={search}
        />
      }
      foot={
        <BringFile
          kinds={need.accepts}
          label="Bring in a picture or clip of your own"
          onFiles={bringIn}
          className="mr-auto self-center"
        />
      }
    >
      <div className="flex min-h-72 flex-col gap-3 overflow-y-auto p-5" aria-busy={state !== "idle"}>
        {data && data.count === 0 && (
          <p className="py-12 text-center text-soft">
            {words.trim() === ""
              ? "There is nothing to choose yet. Bring pictures in under Media."
              : "Nothing is called that."}
          </p>
        )}
        {fitting.length > 0 && list(fitting)}
        {others.length > 0 && (
          <>
            <h3 className="mt-1 border-t border-rule pt-3 text-[14px]">
              {fitting.length > 0 ? "Not quite what is asked for" : `Nothing is quite what is asked for`}{" "}
              <span className="font-sans font-normal text-soft">({needInWords(need).toLowerCase()})</span>
            </h3>
            {list(others)}
          </>
        )}
        {data && data.count > data.items.length && (
          <div className="flex justify-center py-2">
            <Button look="quiet" onClick={() => setMost(most + A_PAGE)}>
              Show more of {data.count}
            </Button>
          </div>
        )}
      </div>
    </DialogFrame>
  );
}

/** Chooses what was brought in here, if it is of a kind that is asked for. */
async function chooseBrought(
  id: string,
  { accepts }: MediaNeed,
  onChoose: (item: OfferedMedia) => void,
): Promise<void> {
  const item = (await ownAnswer(`/media/chosen?id=${id}`, isOffered))?.[id];
  if (item && accepts.some((kind) => kind === item.facts.kind)) onChoose(item);
  else
    toast.error(
      item ? `“${item.facts.name}” is a ${item.facts.kind}: it can't be used here.` : "It is not there any more.",
    );
}

function addressOf({ accepts, shape, leastPixels, leastSeconds }: MediaNeed, words: string, most: number): string {
  const params = new URLSearchParams(accepts.map((kind) => ["kind", kind]));
  params.set("shape", shape);
  params.set("pixels", String(leastPixels));
  params.set("seconds", String(leastSeconds));
  params.set("words", words);
  params.set("most", String(most));
  return `/media/offered?${params.toString()}`;
}

function Choice({
  item,
  need,
  isChosen,
  onChoose,
}: {
  item: OfferedMedia;
  need: MediaNeed;
  isChosen: boolean;
  onChoose: (item: OfferedMedia) => void;
}) {
  const { facts, rights } = item;
  const choose = (): void => onChoose(item);
  return (
    <li>
      <button
        type="button"
        onClick={choose}
        aria-pressed={isChosen}
        className={clsx(
          "block w-full border-2 text-left",
          isChosen ? "border-accent" : "border-transparent hover:border-firm",
        )}
      >
        <img
          src={thumbAddress(facts, 300) ?? ""}
          alt=""
          loading="lazy"
          className="h-32 w-full bg-proof object-contain"
        />
        <span className="block truncate px-1 pt-1 text-sm font-semibold">{facts.name}</span>
        <span className="block truncate px-1 pb-1 figures text-soft">
          {facts.kind === "clip" ? "clip · " : ""}
          {factLine(facts)}
        </span>
        {missesOf(facts, rights, need).map((miss) => (
          <span key={miss} className="block px-1 pb-0.5 text-[12.5px] leading-tight text-warn">
            {missWords(miss, facts, rights, need)}
          </span>
        ))}
      </button>
    </li>
  );
}
