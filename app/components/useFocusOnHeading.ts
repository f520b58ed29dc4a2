import { useEffect, useRef } from "react";
import { useLocation } from "react-router";

/**
 * After a navigation within the application the page's heading has the focus, as after loading a page its beginning has:
 * the next Tab, or a screen reader, goes on from there (WCAG 2.2, 2.4.3). A page that puts the focus somewhere keeps it.
 */
export function useFocusOnHeading(): void {
  const { pathname } = useLocation();
  const before = useRef(pathname);
  useEffect(() => {
    if (before.current === pathname) return;
    before.current = pathname;
    const heading = document.querySelector<HTMLElement>("#content h1");
    if (!heading || document.activeElement?.matches("#content :is(input, select, textarea), [role=dialog] *")) return;
    heading.tabIndex = -1;
    heading.focus({ preventScroll: true });
  }, [pathname]);
}
