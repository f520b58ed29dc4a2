import { type Pixels } from "./framePieces";
import { type PlanarModule } from "./planarModule";

/** Where pixels lie in the memory of the module that reads them. */
export interface PixelsRoom {
  /** Gives where pixels lie, for the frame that is put together: copied there when they are not yet. */
  place(pixels: Pixels): number;
  /** Another frame is put together. */
  begin(): void;
}

/** So many pixels about as large are kept, those shown last; more while a frame has more. */
const MOST_ALIKE = 4;
/** A row of pixels may be read so many bytes beyond its end. */
const SLACK = 64;
const LEAST_BYTES = 65_536;

interface Room {
  readonly at: number;
  /** Twice as many in each kind of room as in the next smaller one. */
  readonly bytes: number;
  pixels: Pixels;
  /** The last frame that they were shown in. */
  shown: number;
}

/** What holds still is copied once; what does not takes the place of what was shown long ago. */
export function pixelsRoom(module: PlanarModule): PixelsRoom {
  const rooms: Room[] = [];
  let frame = 0;

  function roomFor(pixels: Pixels): Room {
    const bytes = roundedUp(pixels.bytes.length + SLACK);
    const alike = rooms.filter((room) => room.bytes === bytes);
    const [unused] = alike.filter(({ shown }) => shown < frame).sort((one, other) => one.shown - other.shown);
    if (unused && alike.length >= MOST_ALIKE) return unused;
    const made = { at: module.addRoom(bytes), bytes, pixels, shown: frame };
    rooms.push(made);
    return made;
  }

  function copied(pixels: Pixels): Room {
    const room = roomFor(pixels);
    room.pixels = pixels;
    module.memory.set(pixels.bytes, room.at);
    return room;
  }

  return {
    place(pixels) {
      const room = rooms.find((known) => known.pixels === pixels) ?? copied(pixels);
      room.shown = frame;
      return room.at;
    },
    begin() {
      frame++;
    },
  };
}

const roundedUp = (bytes: number): number => Math.max(LEAST_BYTES, 2 ** Math.ceil(Math.log2(bytes)));
