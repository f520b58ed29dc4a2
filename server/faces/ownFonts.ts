import { array, number, object, string } from "yup";
import { type FaceFile } from "../../core/type/faces";
import { type TeamScope } from "../db/teamScope";

/** What was read from a brought font. */
export interface FontFacts {
  readonly subfamily: string;
  /** Least and most weight; equal for a font of one weight. */
  readonly weights: readonly [number, number];
  /** How many letters and signs it covers. */
  readonly letters: number;
  /** Covered code points, first and last alternating. */
  readonly ranges: readonly number[];
  /** What its embedding bits allow, in words (OpenType, OS/2 fsType). */
  readonly embedding: string;
}

const schema = object({
  subfamily: string().defined(),
  weights: array(number().required()).length(2).required(),
  letters: number().required(),
  ranges: array(number().required()).required(),
  embedding: string().defined(),
});

/** A family that the team brought itself. */
export interface OwnFamily extends FontFacts {
  readonly id: string;
  readonly family: string;
  readonly sha256: string;
  readonly file: (weight: number) => FaceFile;
}

/** Address of a brought font file at a weight, as font files are named everywhere. */
const ownFileId = (sha256: string, weight: number): string => `own/${sha256}/${weight}`;

/** Takes a file name apart; null for shipped files. */
export function parseOwnFileId(id: string): { sha256: string; weight: number } | null {
  const found = /^own\/([0-9a-f]{64})\/(\d{1,4})$/.exec(id);
  return found?.[1] ? { sha256: found[1], weight: Number(found[2]) } : null;
}

/** The team's own typefaces, by name. */
export async function ownFamilies(scope: TeamScope): Promise<OwnFamily[]> {
  const rows = await scope.kept(scope.select("font").selectAll().orderBy("family"));
  return rows.map((row) => {
    const { subfamily, weights, letters, ranges, embedding } = schema.validateSync(row.facts);
    const [least = 400, most = 400] = weights;
    return {
      id: row.id,
      family: row.family,
      sha256: row.sha256,
      subfamily,
      weights: [least, most],
      letters,
      ranges,
      embedding,
      file: (weight) => ({ id: ownFileId(row.sha256, weight), ranges }),
    };
  });
}
