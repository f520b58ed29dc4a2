import { clsx } from "clsx";
import { NavLink, Outlet, type ShouldRevalidateFunctionArgs, useLocation, useMatches, useSubmit } from "react-router";
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { Check, ChevronDown } from "lucide-react";
import { paletteOf } from "../../core/brand/book";
import { brandsOf } from "../../server/brand/brandBook";
import { requirePerson } from "../../server/auth/sessions";
import type { Route } from "./+types/shell";
import { useFocusOnHeading } from "../components/useFocusOnHeading";
import { ProblemPage } from "../components/ProblemPage";
import { footOf } from "../components/foot";
import { Toasts } from "../components/Toasts";
import { useRenderNotices } from "../components/useRenderNotices";
import { useReviewNotices } from "../components/useReviewNotices";

export async function loader({ request }: Route.LoaderArgs) {
  const { id, name, role, operates, email, team, scope } = await requirePerson(request);
  const { brands, working: brand } = await brandsOf(scope, id);
  const palette = brand && paletteOf(brand.book);
  return {
    id,
    name,
    role,
    operates,
    email,
    team: team.name,
    brands: brands.map(({ id, name }) => ({ id, name })),
    brand:
      brand && palette
        ? { id: brand.id, name: brand.name, colors: [palette.primary, palette.accent, palette.ground] }
        : null,
  };
}

/** From desk to desk of one promotion, a person's team and brands are what they were a moment ago. */
export function shouldRevalidate({
  currentUrl,
  nextUrl,
  formMethod,
  defaultShouldRevalidate,
}: ShouldRevalidateFunctionArgs) {
  const isSamePage = currentUrl.pathname === nextUrl.pathname;
  const isToDesk = promotionIn(nextUrl) !== null && promotionIn(currentUrl) === promotionIn(nextUrl);
  return formMethod === undefined && isToDesk && !isSamePage ? false : defaultShouldRevalidate;
}

const promotionIn = ({ pathname }: URL): string | null => /^\/promotions\/([^/]+)/.exec(pathname)?.[1] ?? null;

const PLACES = [
  ["/", "Bench"],
  ["/brand-book", "Brand book"],
  ["/catalogue", "Catalogue"],
  ["/media", "Media"],
  ["/templates", "Templates"],
  ["/promotions", "Promotions"],
  ["/channels", "Channels"],
] as const;

export default function Shell({
  loaderData: { id, name, role, operates, email, brand, brands, team },
}: Route.ComponentProps) {
  const submit = useSubmit();
  const { pathname } = useLocation();
  const foot = footOf(useMatches().map(({ handle }) => handle));
  useFocusOnHeading();
  useRenderNotices(id);
  useReviewNotices(name);
  return (
    <div className="flex min-h-screen flex-col">
      <a
        href="#content"
        className="absolute top-2 left-2 z-20 -translate-y-20 bg-ink px-3 py-2 text-card focus:translate-y-0"
      >
        Skip to the page
      </a>
      <header className="flex h-[46px] shrink-0 items-center gap-8 overflow-x-auto border-b border-rule px-5">
        <NavLink to="/" className="font-stencil text-[21px] tracking-wide" aria-label="Stencilcraft, to the bench">
          STENCILCRAFT
        </NavLink>
        <nav aria-label="Main" className="flex h-full gap-7">
          {PLACES.map(([to, text]) => (
            <NavLink
              key={to}
              to={to}
              end={to === "/"}
              className={({ isActive }) =>
                clsx(
                  "flex h-full items-center border-b-2 text-[14.5px] whitespace-nowrap",
                  isActive ? "border-ink font-semibold text-ink" : "border-transparent text-soft hover:text-ink",
                )
              }
            >
              {text}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex items-center gap-6 text-[14.5px] whitespace-nowrap">
          <Menu>
            <MenuButton
              className="flex items-center gap-1.5"
              aria-label={`Working brand: ${brand?.name ?? "none yet"}`}
            >
              {brand?.colors.map((color, index) => (
                <span key={index} aria-hidden className="h-3 w-3 border border-ink/20" style={{ background: color }} />
              ))}
              <span className="ml-1">{brand?.name ?? team}</span> <ChevronDown aria-hidden size={15} />
            </MenuButton>
            <MenuItems anchor="bottom end" className="z-20 mt-2 w-56 border border-rule bg-card p-2 shadow-lg">
              {brands.map((one) => (
                <MenuItem key={one.id}>
                  <button
                    type="button"
                    onClick={() =>
                      void submit(
                        { intent: "switch", brand: one.id, from: pathname },
                        { method: "post", action: "/brand-book" },
                      )
                    }
                    className="flex w-full items-center gap-2 px-2 py-1.5 text-left data-focus:bg-paper"
                  >
                    <Check aria-hidden size={15} className={one.id === brand?.id ? "" : "invisible"} /> {one.name}
                    {one.id === brand?.id && <span className="sr-only">, working brand</span>}
                  </button>
                </MenuItem>
              ))}
              {role !== "reviewer" && (
                <MenuItem>
                  <NavLink to="/brand-book?new" className="block px-2 py-1.5 pl-8 text-soft data-focus:bg-paper">
                    Another brand …
                  </NavLink>
                </MenuItem>
              )}
            </MenuItems>
          </Menu>
          <Menu>
            <MenuButton className="flex items-center gap-1">
              {name} <ChevronDown aria-hidden size={15} />
            </MenuButton>
            <MenuItems anchor="bottom end" className="z-20 mt-2 w-60 border border-rule bg-card p-2 shadow-lg">
              <div className="border-b border-rule px-2 pb-2 text-sm text-soft">
                {email}
                <br />
                {role} in {team}
              </div>
              <MenuItem>
                <NavLink to="/you" className="mt-1 block px-2 py-1.5 data-focus:bg-paper">
                  You
                </NavLink>
              </MenuItem>
              <MenuItem>
                <NavLink to="/queue" className="block px-2 py-1.5 data-focus:bg-paper">
                  Queue
                </NavLink>
              </MenuItem>
              <MenuItem>
                <NavLink to="/team" className="block px-2 py-1.5 data-focus:bg-paper">
                  Team{role === "owner" ? " and space" : ""}
                </NavLink>
              </MenuItem>
              {operates && (
                <MenuItem>
                  <NavLink to="/teams" className="block px-2 py-1.5 data-focus:bg-paper">
                    Teams here
                  </NavLink>
                </MenuItem>
              )}
              {/* Submitted by hand: the menu closes on a click and would take a form inside it along. */}
              <MenuItem>
                <button
                  type="button"
                  onClick={() => void submit(null, { method: "post", action: "/sign-out" })}
                  className="mt-1 w-full px-2 py-1.5 text-left data-focus:bg-paper"
                >
                  Sign out
                </button>
              </MenuItem>
            </MenuItems>
          </Menu>
        </div>
      </header>
      <div id="content" className="flex min-h-0 flex-1 flex-col">
        <Outlet />
      </div>
      <Toasts above={foot} />
    </div>
  );
}

export function ErrorBoundary() {
  return <ProblemPage />;
}
