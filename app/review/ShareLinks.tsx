import { Disclosure, DisclosureButton, DisclosurePanel } from "@headlessui/react";
import { Link2 } from "lucide-react";
import { useFetcher } from "react-router";
import { Problem } from "../components/Problem";
import { type FormatName, formatOf } from "../../core/placement/formats";
import { type ShareLink } from "../../server/review/shareLinks";
import { Button } from "../components/Button";
import { Field, inputClasses } from "../components/Field";
import { useLive } from "../components/useLive";
import { useMayEdit } from "../components/useMayEdit";
import { LinkToHand } from "../people/LinkToHand";
import { type ShareAnswer } from "./shareAnswer";

type ShownLink = Omit<ShareLink, "endsAt" | "openedAt"> & {
  readonly until: string | null;
  readonly seen: string | null;
};

/** The links by which people without an account see a promotion, and another one. */
export function ShareLinks({ links, embeds }: { links: readonly ShownLink[]; embeds: readonly FormatName[] }) {
  const making = useFetcher<ShareAnswer>();
  const changing = useFetcher();
  const mayEdit = useMayEdit();
  const problems = making.data?.problems ?? {};
  const link = making.data?.link ?? null;
  const open = links.filter(({ state }) => state === "open").length;
  if (!mayEdit) return null;
  return (
    <section aria-label="Share">
      <Disclosure>
        <DisclosureButton className="flex w-full items-center gap-2 border-y border-rule py-2 text-left font-semibold">
          <Link2 aria-hidden size={16} /> Share by link
          <span className="ml-auto text-sm font-normal text-soft">{open === 0 ? "no link yet" : `${open} open`}</span>
        </DisclosureButton>
        <DisclosurePanel className="border-b border-rule pb-4">
          <making.Form method="post" className="mt-3 flex flex-col gap-3" aria-label="Make a share link">
            <Problem text={problems["form"]} />
            <Field label="For whom" name="note" hint="for you to remember" problem={problems["note"]} />
            <div className="grid grid-cols-2 gap-3">
              <Field
                label="Password"
                name="password"
                hint="may be empty"
                autoComplete="off"
                problem={problems["password"]}
              />
              <Field label="Last day" name="ends" type="date" problem={problems["ends"]} />
            </div>
            <label className="flex items-center gap-2 text-sm">
              <input type="checkbox" name="ask" value="true" defaultChecked className="h-4 w-4 accent-accent" /> ask for
              approval by it
            </label>
            <Button type="submit" name="intent" value="link" disabled={making.state !== "idle"} className="self-start">
              Make a link
            </Button>
          </making.Form>
          {link && <LinkToHand path={link.page} />}
          {link && <EmbedCode path={link.embed} formats={embeds} />}
          <ul className="mt-3 divide-y divide-rule text-sm">
            {links.map(({ id, note, by, opened, seen, until, hasPassword, state }) => (
              <li key={id} className="flex items-start justify-between gap-3 py-2">
                <span>
                  {note || "A link"} <span className="text-soft">by {by}</span>
                  <br />
                  <span className="text-soft">
                    {opened === 0
                      ? "not opened yet"
                      : `opened ${opened === 1 ? "once" : `${opened} times`}, last ${seen}`}
                    {hasPassword && ", with a password"}
                    {until !== null && `, until ${until}`}
                  </span>
                </span>
                {state === "open" ? (
                  <changing.Form method="post">
                    <input type="hidden" name="link" value={id} />
                    <button
                      type="submit"
                      name="intent"
                      value="revoke"
                      className="whitespace-nowrap text-wrong underline"
                    >
                      Take back
                    </button>
                  </changing.Form>
                ) : (
                  <span className="whitespace-nowrap text-soft">{state}</span>
                )}
              </li>
            ))}
          </ul>
        </DisclosurePanel>
      </Disclosure>
    </section>
  );
}

/** What another site puts into its page to show the film: it runs nothing, and finds nothing by it. */
function EmbedCode({ path, formats }: { path: string; formats: readonly FormatName[] }) {
  const isLive = useLive();
  const widest = formats.toSorted((one, other) => ratioOf(other) - ratioOf(one))[0];
  if (!isLive || widest === undefined) return null;
  const { width, height } = formatOf(widest);
  const [shown, tall] = [640, Math.round((640 * height) / width)];
  const address = new URL(`${path}/${widest}`, location.href).href;
  return (
    <label className="text-sm">
      To put it into a page
      <textarea
        readOnly
        rows={3}
        value={`<iframe src="${address}" width="${shown}" height="${tall}" sandbox allowfullscreen style="border:0"></iframe>`}
        className={`${inputClasses} mt-1 font-mono text-xs`}
      />
    </label>
  );
}
const ratioOf = (format: FormatName): number => formatOf(format).width / formatOf(format).height;
