import { type Edit } from "../../core/document/edit";
import { addSound } from "../../core/document/soundEdits";
import { type Promotion } from "../../core/document/promotion";
import { hearTake } from "../../core/document/takeEdits";
import { useDropFill } from "../mediaChoice/useDropFill";

/** What is being recorded: another take of a piece, or a new one from a time on, in milliseconds. */
export interface Recording {
  /** Its id; null for a new one. */
  readonly piece: string | null;
  readonly from: number;
  /** The words that are to be said; null where the scenes' scripts say them. */
  readonly says: string | null;
}

/** What the file of a take is called: by its words, with a number, so that takes can be told apart. */
export function takeName({ piece, says }: Recording, { lanes }: Pick<Promotion, "lanes">): string {
  const number = piece === null ? 1 : (lanes[piece]?.takes?.length ?? 0) + 2;
  return `Take ${number}${
    says
      ? ` of ${says
          .slice(0, 40)
          .replace(/[^\p{L}\p{N} ]/gu, "")
          .trim()}`
      : ""
  }`;
}

/** Brings recordings in, and has each be heard where it was recorded once it can be. */
export function useTakes({
  onMade,
  onChoose,
}: {
  readonly onMade: (make: (document: Promotion) => Edit | null) => void;
  readonly onChoose: (id: string | null) => void;
}): (recording: Recording, file: File) => void {
  const bring = useDropFill<string>((place, media) => {
    const { piece, from } = readPlace(place);
    onMade((document) => {
      if (piece !== null) return hearTake(document, piece, media);
      const added = addSound(document, { lane: "voice", media, at: from });
      if (added) onChoose(added.id);
      return added?.edit ?? null;
    });
  });
  return ({ piece, from }, file) => bring(piece === null ? `${NEW}${from}` : `${PIECE}${piece}`, [file]);
}

const NEW = "new at ";
const PIECE = "piece ";
const readPlace = (place: string): Pick<Recording, "piece" | "from"> =>
  place.startsWith(NEW)
    ? { piece: null, from: Number(place.slice(NEW.length)) }
    : { piece: place.slice(PIECE.length), from: 0 };
