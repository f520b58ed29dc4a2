import { useEffect, useState } from "react";
import { type Facts } from "../../core/document/facts";
import { isShowable } from "../../core/document/refs";
import { type ShownVersion, fetchVersions } from "../desk/versions";

/** The kept versions of a promotion that can be shown, fetched once they are wanted; none while they can't be fetched. */
export function useVersions(slug: string, facts: Facts, wanted: boolean): readonly ShownVersion[] {
  const [versions, setVersions] = useState<readonly ShownVersion[]>([]);
  useEffect(() => {
    if (!wanted) return;
    let isCurrent = true;
    void fetchVersions(slug)
      .then((found) => {
        if (isCurrent) setVersions(found);
      })
      .catch(() => undefined);
    return () => {
      isCurrent = false;
    };
  }, [slug, wanted]);
  return versions.filter(({ document }) => isShowable(document, facts.templates));
}
