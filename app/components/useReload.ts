import { useState } from "react";
import { useRevalidator } from "react-router";
import { coalesced } from "./coalesced";

/** Loads the page's data anew; whatever comes in while that is under way is loaded right after it. */
export function useReload(): () => void {
  const { revalidate } = useRevalidator();
  const [reload] = useState(() => coalesced(() => revalidate()));
  return reload;
}
