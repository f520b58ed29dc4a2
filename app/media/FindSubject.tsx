import { useState } from "react";
import { useFetcher, useRevalidator } from "react-router";
import { Problem } from "../components/Problem";
import { Button } from "../components/Button";
import { useTeamEvents } from "../components/useTeamEvents";
import type { MediaAnswer } from "./answer";

/** Has the subject of a clip looked for: of one that was read in before this was done for all, or that kept one point. */
export function FindSubject({ id }: { id: string }) {
  const fetcher = useFetcher<MediaAnswer>();
  const { revalidate } = useRevalidator();
  const [share, setShare] = useState<number | null>(null);
  useTeamEvents((event) => {
    if (event.topic !== "media" || event.id !== id) return;
    setShare(event.state === "ready" ? null : event.progress);
    if (event.state === "ready") void revalidate();
  });
  const ask = (): void => {
    setShare(0);
    void fetcher.submit({ intent: "follow", ids: id }, { method: "post", action: "/media" });
  };
  const problem = fetcher.data?.problem;
  return (
    <div>
      {share === null || problem ? (
        <Button onClick={ask}>Find its subject</Button>
      ) : (
        <div
          role="progressbar"
          aria-label="Looking for the subject"
          aria-valuemin={0}
          aria-valuemax={100}
          aria-valuenow={Math.round(share * 100)}
          className="h-2 bg-rule"
        >
          <div className="h-full bg-accent transition-[width]" style={{ width: `${share * 100}%` }} />
        </div>
      )}
      <Problem text={problem} className="mt-1" />
    </div>
  );
}
