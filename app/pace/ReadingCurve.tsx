import { useId, useMemo } from "react";
import { Area, AreaChart, ReferenceLine, XAxis, YAxis } from "recharts";
import { type ReadText, type ReadingMoment, readingLoad } from "../../core/pace/readTexts";
import { Lane } from "./Lane";

const HEIGHT = 74;
const STEP_MS = 50;

/** How much of the time reading takes, from the start to the end. Over the line there is more to read than anybody can. */
export function ReadingCurve({ texts, length, width }: { texts: readonly ReadText[]; length: number; width: number }) {
  const loads = useMemo(() => readingLoad(texts, length, STEP_MS), [texts, length]);
  const most = Math.max(...loads.map(({ load }) => load));
  // What lies over the line is coloured: the shape reaches from its highest load down to none.
  const tooMuch = most > 1 ? 1 - 1 / most : 0;
  const fill = useId();
  const { said, kind } = inWords(loads, most);
  return (
    <Lane title="Reading" height={HEIGHT}>
      <div role="img" aria-label={said} className="absolute inset-0">
        {width > 0 && (
          <AreaChart width={width} height={HEIGHT} data={loads} margin={{ top: 4, right: 0, bottom: 0, left: 0 }}>
            <defs>
              <linearGradient id={fill} x1="0" y1="0" x2="0" y2="1">
                <stop offset={tooMuch} stopColor={`var(--color-${kind})`} stopOpacity={0.35} />
                <stop offset={tooMuch} stopColor="var(--color-ready)" stopOpacity={0.3} />
              </linearGradient>
            </defs>
            <XAxis dataKey="at" type="number" domain={[0, length]} hide />
            <YAxis domain={[0, Math.max(1.25, most * 1.1)]} hide />
            <Area
              dataKey="load"
              type="stepAfter"
              isAnimationActive={false}
              stroke="var(--color-ink)"
              strokeWidth={1.25}
              fill={`url(#${fill})`}
            />
            <ReferenceLine y={1} stroke="var(--color-wrong)" strokeDasharray="4 3" />
          </AreaChart>
        )}
      </div>
      <span className={`absolute right-1 bottom-1 bg-paper/85 px-1.5 text-[12px] ${LOOKS[kind]}`}>{said}</span>
    </Lane>
  );
}

const LOOKS = { ready: "text-soft", warn: "text-warn", wrong: "text-wrong" } as const;

/** What the curve shows: a text too long for its time is wrong; several that each can be read compete. */
function inWords(
  loads: readonly ReadingMoment[],
  most: number,
): { readonly said: string; readonly kind: keyof typeof LOOKS } {
  const lasting = (over: "load" | "alone"): number =>
    (loads.filter((moment) => moment[over] > 1).length * STEP_MS) / 1000;
  const [tooLong, competing] = [lasting("alone"), lasting("load")];
  const share = `${Math.round(most * 100)} % of the time at the most`;
  if (tooLong > 0) return { said: `For ${tooLong.toFixed(1)} s not all of it can be read`, kind: "wrong" };
  return competing > 0
    ? { said: `For ${competing.toFixed(1)} s texts compete: one after another they take ${share}`, kind: "warn" }
    : { said: `Reading takes ${share}`, kind: "ready" };
}
