import { useRouteLoaderData } from "react-router";
import type { loader } from "../routes/shell";

/** Whether the person who is signed in may change things; reviewers only look. */
export const useMayEdit = (): boolean => useRouteLoaderData<typeof loader>("routes/shell")?.role !== "reviewer";
