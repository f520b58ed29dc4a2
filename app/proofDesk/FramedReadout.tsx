import { freeSides } from "../../core/geometry/rect";
import { MOST_ENLARGED } from "../../core/preflight/pictures";
import { type SheetSlot } from "../../core/scene/proofSheet";

/** What a framing makes of a picture, in numbers: what is lost, how much it is enlarged, the bars beside it. */
export function FramedReadout({ placed, isEmpty }: { placed: SheetSlot | undefined; isEmpty: boolean }) {
  if (isEmpty) return <p className="text-soft">Nothing is in this slot.</p>;
  if (!placed) return <p className="text-soft">Its proof is being made …</p>;
  const { framed } = placed;
  if (!framed) return <p className="text-soft">It stands blurred behind the words here, and always fills its place.</p>;
  const { lost, scale, bars } = framed;
  const sides = freeSides(bars);
  return (
    <dl className="grid grid-cols-3 gap-2" data-testid="framed">
      <Fact term="Part lost" value={`${(lost * 100).toFixed(1)} %`} />
      <Fact term="Its pixels at" value={`${(scale * 100).toFixed(2)} %`} warn={scale > MOST_ENLARGED} />
      <Fact term="Bars" value={sides.length === 0 ? "none" : sides.map(({ length }) => written(length)).join(" + ")} />
      {sides.length > 0 && (
        <div className="col-span-3 text-[12px] text-soft">
          at its {sides.map(({ side }) => side).join(" and ")}, in units of a short side of 1080
        </div>
      )}
    </dl>
  );
}

/** To a hundredth, without noughts at the end. */
const written = (length: number): string => String(Math.round(length * 100) / 100);

const Fact = ({ term, value, warn = false }: { term: string; value: string; warn?: boolean }) => (
  <div>
    <dt className="text-[12px] text-soft">{term}</dt>
    <dd className={`figures text-[13px] leading-snug ${warn ? "font-bold text-warn" : ""}`}>{value}</dd>
  </div>
);
