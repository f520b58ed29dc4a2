import { useEffect, useRef } from "react";
import { type ClipFacts, type PictureFacts } from "../../core/document/facts";
import { tableOf } from "../../core/document/look";
import { applyTable } from "../../core/grading/lookupTable";
import { LOOK_NAMES, type LookName } from "../../core/grading/looks";
import { thumbAddress } from "../components/mediaLook";

const [WIDTH, HEIGHT] = [88, 54];

/** The looks of ours, each as it would make the picture that is in the slot. */
export function LookSwatches({
  media,
  disabled,
  onChoose,
}: {
  media: PictureFacts | ClipFacts;
  disabled: boolean;
  onChoose: (name: LookName) => void;
}) {
  const canvases = useRef(new Map<LookName, HTMLCanvasElement>());
  const address = thumbAddress(media, WIDTH * 2);
  useEffect(() => {
    if (address === null) return;
    const picture = new Image();
    picture.onload = () => canvases.current.forEach((canvas, name) => paintSwatch(canvas, picture, name));
    picture.src = address;
    return () => {
      picture.onload = null;
    };
  }, [address]);
  const keep = (name: LookName) => (canvas: HTMLCanvasElement | null) => {
    if (canvas) canvases.current.set(name, canvas);
    else canvases.current.delete(name);
  };
  return (
    <ul aria-label="Looks" className="grid grid-cols-3 gap-1.5">
      {LOOK_NAMES.map((name) => (
        <li key={name}>
          <button
            type="button"
            disabled={disabled}
            onClick={() => onChoose(name)}
            className="flex w-full flex-col border border-rule bg-white text-[11.5px] leading-tight hover:border-accent disabled:opacity-40"
          >
            <canvas aria-hidden ref={keep(name)} width={WIDTH} height={HEIGHT} className="w-full bg-rule" />
            <span className="truncate px-0.5 py-0.5 first-letter:uppercase">{name}</span>
          </button>
        </li>
      ))}
    </ul>
  );
}

/** Draws a picture so that it fills a swatch, in a look. */
function paintSwatch(canvas: HTMLCanvasElement, picture: HTMLImageElement, name: LookName): void {
  const context = canvas.getContext("2d", { willReadFrequently: true });
  const table = tableOf([{ kind: "look", look: name, strength: 1 }]);
  if (!context || !table) return;
  const scale = Math.max(WIDTH / picture.width, HEIGHT / picture.height);
  const [width, height] = [picture.width * scale, picture.height * scale];
  context.drawImage(picture, (WIDTH - width) / 2, (HEIGHT - height) / 2, width, height);
  const pixels = context.getImageData(0, 0, WIDTH, HEIGHT);
  applyTable(pixels.data, table);
  context.putImageData(pixels, 0, 0);
}
