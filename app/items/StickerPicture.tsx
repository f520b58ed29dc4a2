import { type Sticker } from "../../core/document/stickers";
import { rect } from "../../core/geometry/rect";
import { stickerOutline } from "../../core/scene/stickers";
import { svgPath } from "../../core/type/svgPath";

const SIDE = 100;

/** A sticker as it is drawn, in the colour of the text round it. */
export const StickerPicture = ({ sticker, size }: { sticker: Sticker; size: number }) => (
  <svg aria-hidden viewBox={`-4 -4 ${SIDE + 8} ${SIDE + 8}`} width={size} height={size} fill="currentColor">
    <path d={svgPath(stickerOutline(sticker, rect(0, 0, SIDE, SIDE)))} />
  </svg>
);
