import { clsx } from "clsx";
import { useState } from "react";
import { ArrowLeft, ArrowRight, Plus, X } from "lucide-react";
import { useDropZone } from "../components/useDropZone";
import { thumbAddress } from "../components/mediaLook";
import { anyOf } from "../../core/document/mediaNeed";
import { MediaPicker } from "../mediaChoice/MediaPicker";
import { useDropFill } from "../mediaChoice/useDropFill";
import { type ChosenMedia, useChosenMedia } from "../mediaChoice/useChosenMedia";

const A_PICTURE_OR_CLIP = anyOf("picture", "clip");

/** A product's pictures in order, the main one first: choose, move, take off. Sent with its form as `pictures`. */
export function PictureOrder({ loaded, chosen }: { loaded: ChosenMedia; chosen: readonly string[] }) {
  const [order, setOrder] = useState(chosen);
  const { media, learn } = useChosenMedia(order, loaded);
  const [picking, setPicking] = useState(false);
  const add = (id: string): void => setOrder((before) => [...new Set([...before, id])]);
  const bring = useDropFill<"product">((_, id) => add(id));
  const { over, zone } = useDropZone({ onFiles: (files) => bring("product", files) });
  const move = (at: number, by: number): void => {
    const next = [...order];
    const [one] = next.splice(at, 1);
    if (one) next.splice(at + by, 0, one);
    setOrder(next);
  };
  return (
    <fieldset>
      <legend className="mb-1 text-sm">Pictures and clips</legend>
      <input type="hidden" name="pictures" value={order.join(",")} />
      <ol className="flex flex-wrap gap-3">
        {order.map((id, index) => {
          const facts = media[id]?.facts;
          const name = facts?.name ?? "an item";
          return (
            <li key={id} className="w-28">
              <span className="relative block h-24 bg-proof">
                {facts && (
                  <img src={thumbAddress(facts, 200) ?? ""} alt={name} className="h-full w-full object-cover" />
                )}
                {index === 0 && <span className="absolute bottom-0 left-0 bg-ink px-1.5 text-xs text-card">main</span>}
              </span>
              <span className="flex justify-between">
                <button
                  type="button"
                  disabled={index === 0}
                  onClick={() => move(index, -1)}
                  aria-label={`Move ${name} forward`}
                  className="p-1 text-soft hover:text-ink disabled:invisible"
                >
                  <ArrowLeft aria-hidden size={15} />
                </button>
                <button
                  type="button"
                  onClick={() => setOrder(order.filter((one) => one !== id))}
                  aria-label={`Take off ${name}`}
                  className="p-1 text-soft hover:text-wrong"
                >
                  <X aria-hidden size={15} />
                </button>
                <button
                  type="button"
                  disabled={index === order.length - 1}
                  onClick={() => move(index, 1)}
                  aria-label={`Move ${name} back`}
                  className="p-1 text-soft hover:text-ink disabled:invisible"
                >
                  <ArrowRight aria-hidden size={15} />
                </button>
              </span>
            </li>
          );
        })}
        <li>
          <button
            type="button"
            onClick={() => setPicking(true)}
            title="Choose one, or drop a file here"
            className={clsx(
              "flex h-24 w-28 flex-col items-center justify-center gap-1 border",
              "border-dashed border-firm text-sm text-soft hover:text-ink",
              over && "outline-3 outline-ready",
            )}
            {...zone}
          >
            <Plus aria-hidden size={18} /> Add a picture
          </button>
        </li>
      </ol>
      <MediaPicker
        open={picking}
        title="A picture or clip of the product"
        need={A_PICTURE_OR_CLIP}
        chosen={null}
        onClose={() => setPicking(false)}
        onChoose={(item) => {
          learn(item);
          add(item.facts.id);
          setPicking(false);
        }}
      />
    </fieldset>
  );
}
