import { keysOf } from "../../core/records";
import { useEffect, useState } from "react";
import { useFetcher } from "react-router";
import { toast } from "sonner";
import { SOUND_LENGTHS, type SoundLength, TEMPO_RANGES, type TempoRange } from "../../core/sound/tempoRanges";
// Erased at run time: a page takes nothing from the server but what its loader gives.
import type { OfferedMedia } from "../../server/media/offeredMedia";
import type { ShelfSound, SoundChoice } from "../../server/media/soundChoices";
import { Button } from "../components/Button";
import { DialogFrame } from "../components/DialogFrame";
import { BringFile } from "../mediaChoice/BringFile";
import { DialogSearch } from "../components/DialogSearch";
import { RightsMark } from "../components/RightsMark";
import { useTeamEvents } from "../components/useTeamEvents";
import type { loader } from "../routes/mediaSounds";
import { ChoiceField } from "../workshop/ChoiceField";
import { SoundRow } from "./SoundRow";
import { takenFromShelf } from "./takenFromShelf";
import { useAudition } from "./useAudition";
import { mediaAddress } from "../components/mediaAddress";

const A_PAGE = 30;
const ANY = "any";
const TEMPOS = [
  [ANY, "any tempo"],
  ["slow", `slow, under ${TEMPO_RANGES.slow.to}`],
  ["medium", "medium"],
  ["quick", `quick, from ${TEMPO_RANGES.quick.from}`],
] as const satisfies readonly (readonly [TempoRange | typeof ANY, string])[];
const LENGTHS = [[ANY, "any length"] as const, ...keysOf(SOUND_LENGTHS).map((length) => [length, length] as const)];

interface SoundPickerProps {
  readonly title: string;
  readonly onChoose: (item: OfferedMedia) => void;
  /** Files of one's own that are to be heard there. */
  readonly onFiles: (files: FileList) => void;
  readonly onClose: () => void;
}

/** Chooses something to be heard: the team's sounds and those on the shelf, heard while one looks, searched by what they are like. */
export function SoundPicker({ title, onChoose, onFiles, onClose }: SoundPickerProps) {
  const [words, setWords] = useState("");
  const [tempo, setTempo] = useState<TempoRange | typeof ANY>(ANY);
  const [length, setLength] = useState<SoundLength | typeof ANY>(ANY);
  const [tag, setTag] = useState("");
  const [most, setMost] = useState(A_PAGE);
  const [taking, setTaking] = useState<string | null>(null);
  const audition = useAudition();
  const { load, data, state } = useFetcher<typeof loader>();
  const address = `/media/sounds?${new URLSearchParams({ words, tempo, length, tag, most: String(most) }).toString()}`;
  useEffect(() => void load(address), [address, load]);
  // What somebody brings in meanwhile can be chosen as soon as it is read in.
  useTeamEvents((event) => {
    if (event.topic === "media" && event.state === "ready") void load(address);
  });
  const bringIn = (files: FileList): void => {
    onFiles(files);
    onClose();
  };
  const choose = (item: OfferedMedia): void => {
    onChoose(item);
    onClose();
  };
  async function takeFromShelf({ slug, name }: ShelfSound): Promise<void> {
    setTaking(slug);
    try {
      choose(await takenFromShelf(slug));
    } catch (error) {
      toast.error(error instanceof Error ? error.message : `“${name}” could not be taken from the shelf.`);
    } finally {
      setTaking(null);
    }
  }
  const own = (choice: SoundChoice) => {
    const name = choice.facts.name.replace(/\.\w+$/, "");
    const take = (): void => choose(choice);
    return (
      <SoundRow
        key={choice.facts.id}
        name={name}
        address={mediaAddress(choice.facts, "sound")}
        audition={audition}
        levels={choice.facts.levels ?? []}
        words={choice.tags}
        seconds={choice.facts.length / 1000}
        tempo={choice.tempo}
        rights={
          choice.rights === "clear" ? (
            <span className="max-w-40 truncate" title={choice.licence}>
              {choice.licence}
            </span>
          ) : (
            <RightsMark state={choice.rights} />
          )
        }
        take={<TakeButton name={name} isBusy={false} onTake={take} />}
      />
    );
  };
  const onShelf = (item: ShelfSound) => {
    const take = (): void => void takeFromShelf(item);
    return (
      <SoundRow
        key={item.slug}
        name={item.name}
        address={`/media/shelf/${item.slug}/preview`}
        audition={audition}
        levels={[]}
        words={item.words}
        seconds={null}
        tempo={item.tempo}
        rights={<span>free to use</span>}
        take={<TakeButton name={item.name} isBusy={taking === item.slug} onTake={take} />}
      />
    );
  };
  return (
    <DialogFrame
      title={title}
      size="max-w-4xl"
      onClose={onClose}
      tools={
        <DialogSearch
          label="Search sounds by name or tag"
          placeholder="calm, keys, winter …"
          words={words}
          onWords={setWords}
        />
      }
      foot={
        <BringFile
          kinds={["sound"]}
          label="Bring in a sound of your own"
          onFiles={bringIn}
          className="mr-auto self-center"
        />
      }
    >
      <div className="flex flex-wrap items-end gap-3 border-b border-rule px-5 py-3">
        <ChoiceField label="Tempo" value={tempo} choices={TEMPOS} onChange={setTempo} />
        <ChoiceField label="Length" value={length} choices={LENGTHS} onChange={setLength} />
        {data && data.tags.length > 0 && (
          <ChoiceField
            label="Tag"
            value={tag}
            choices={[["", "any tag"] as const, ...data.tags.map((one) => [one, one] as const)]}
            onChange={setTag}
          />
        )}
      </div>
      <div className="flex min-h-80 flex-col gap-4 overflow-y-auto px-5 py-3" aria-busy={state !== "idle"}>
        {data?.count === 0 && data.shelf.length === 0 && (
          <p className="py-12 text-center text-soft">Nothing sounds like that. Ask for less, or bring in a file.</p>
        )}
        {data && data.sounds.length > 0 && (
          <section aria-label="Your sounds">
            <h3 className="mb-1 text-[15px] font-semibold">Your sounds</h3>
            <ul>{data.sounds.map(own)}</ul>
            {data.count > data.sounds.length && (
              <Button look="quiet" onClick={() => setMost(most + A_PAGE)}>
                Show more of {data.count}
              </Button>
            )}
          </section>
        )}
        {data && data.shelf.length > 0 && (
          <section aria-label="On the shelf">
            <h3 className="mb-1 text-[15px] font-semibold">On the shelf</h3>
            <ul>{data.shelf.map(onShelf)}</ul>
          </section>
        )}
      </div>
    </DialogFrame>
  );
}

function TakeButton({ name, isBusy, onTake }: { name: string; isBusy: boolean; onTake: () => void }) {
  return (
    <Button aria-label={`Take ${name}`} disabled={isBusy} onClick={onTake} className="px-3 py-1 text-[13.5px]">
      {isBusy ? "Taking …" : "Take"}
    </Button>
  );
}
