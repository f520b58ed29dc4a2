import { Link } from "react-router";
import { FILE_KINDS } from "../../core/output/fileKinds";
import { formatTitle } from "../../core/placement/formats";
import { type Placement } from "../../core/placement/placements";
import { outputSize } from "../../core/placement/quality";
import { FormatMark } from "../components/FormatMark";
import { megabytes } from "../components/mediaLook";
import { PlacementFrame } from "./PlacementFrame";

/** A placement: how it looks there, and what is taken. */
export function PlacementCard({ placement, isChanged }: { placement: Placement; isChanged: boolean }) {
  const { id, title, format, quality, kinds, rates, mostBytes, longest, shortest, loudness, post } = placement;
  const { width, height } = outputSize(format, quality);
  const isFilm = kinds.some((kind) => FILE_KINDS[kind].isMoving);
  const facts = [
    ["Shape", `${formatTitle(format)}, ${width} × ${height}`],
    ["Files", kinds.map((kind) => FILE_KINDS[kind].title).join("; ")],
    ...(isFilm ? [["Frames", `${rates.join(", ")} a second`] as const] : []),
    ...(isFilm && (longest !== null || shortest !== null)
      ? [["Length", lengthInWords(shortest, longest)] as const]
      : []),
    ...(mostBytes === null ? [] : [["Size", `at most ${megabytes(mostBytes)}`] as const]),
    ...(isFilm ? [["Sound", `${String(loudness).replace("-", "−")} LUFS`] as const] : []),
    ["Words", wordsInWords(post)],
  ] as const;
  return (
    <li className="flex flex-col bg-card">
      <Link to={`?edit=${id}`} preventScrollReset className="flex h-full flex-col">
        <span className="flex h-[176px] items-center justify-center bg-[#c9c5b8] p-3">
          <PlacementFrame placement={placement} />
        </span>
        <span className="flex items-center gap-2 px-4 pt-3 font-semibold">
          <FormatMark format={format} size={12} /> {title}
          {isChanged && <span className="ml-auto text-[13px] font-normal text-soft">yours</span>}
        </span>
        <span className="grid grid-cols-[64px_minmax(0,1fr)] gap-x-3 gap-y-0.5 px-4 pt-2 pb-4 text-[13px]">
          {facts.map(([term, value]) => (
            <span key={term} className="contents">
              <span className="text-soft">{term}</span>
              <span>{value}</span>
            </span>
          ))}
        </span>
      </Link>
    </li>
  );
}

function lengthInWords(shortest: number | null, longest: number | null): string {
  if (longest === null) return `${shortest ?? 0} s or more`;
  return shortest === null ? `at most ${longest} s` : `${shortest} to ${longest} s`;
}

function wordsInWords({ title, body, tags, link }: Placement["post"]): string {
  const parts = [
    ...(title === null ? [] : [`title ${title}`]),
    ...(body === null ? [] : [`text ${body}`]),
    ...(tags === null ? [] : [`${tags} tags`]),
    ...(link ? ["a link"] : []),
  ];
  return parts.length === 0 ? "none" : parts.join(", ");
}
