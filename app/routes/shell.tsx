import { NavLink, Outlet, useSubmit } from "react-router";
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { ChevronDown } from "lucide-react";
import { readPalette } from "../../server/promotions/loadFacts";
import { requirePerson } from "../../server/auth/sessions";
import type { Route } from "./+types/shell";
import { ProblemPage } from "../components/ProblemPage";

export async function loader({ request }: Route.LoaderArgs) {
  const { name, role, email, team, scope } = await requirePerson(request);
  const brand = await scope.brands().select(["name", "palette"]).orderBy("name").executeTakeFirst();
  const palette = brand ? readPalette(brand.palette) : null;
  return { name, role, email, team: team.name, brand: brand && palette ? { name: brand.name, colors: [palette.primary, palette.accent, palette.ground] } : null };
}

const PLACES = [["/", "Bench"], ["/brand-book", "Brand book"], ["/catalogue", "Catalogue"], ["/media", "Media"], ["/templates", "Templates"], ["/promotions", "Promotions"]] as const;

export default function Shell({ loaderData: { name, role, email, brand, team } }: Route.ComponentProps) {
  const submit = useSubmit();
  return (
    <div className="flex min-h-screen flex-col">
      <a href="#content" className="absolute left-2 top-2 z-20 -translate-y-20 bg-ink px-3 py-2 text-card focus:translate-y-0">
        Skip to the page
      </a>
      <header className="flex h-[46px] shrink-0 items-center gap-8 overflow-x-auto border-b border-rule px-5">
        <NavLink to="/" className="font-stencil text-[21px] tracking-wide" aria-label="Stencilcraft, to the bench">
          STENCILCRAFT
        </NavLink>
        <nav aria-label="Main" className="flex h-full gap-7">
          {PLACES.map(([to, text]) => (
            <NavLink key={to} to={to} end={to === "/"} className={({ isActive }) => `flex h-full items-center whitespace-nowrap border-b-2 text-[14.5px] ${isActive ? "border-ink font-semibold text-ink" : "border-transparent text-soft hover:text-ink"}`}>
              {text}
            </NavLink>
          ))}
        </nav>
        <div className="ml-auto flex items-center gap-6 whitespace-nowrap text-[14.5px]">
          <span className="flex items-center gap-1.5">
            {brand?.colors.map((color, index) => <span key={index} aria-hidden className="h-3 w-3 border border-ink/20" style={{ background: color }} />)}
            <span className="ml-1">{brand?.name ?? team}</span>
          </span>
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
              {/* Submitted by hand: the menu closes on a click and would take a form inside it along. */}
              <MenuItem>
                <button type="button" onClick={() => void submit(null, { method: "post", action: "/sign-out" })} className="mt-1 w-full px-2 py-1.5 text-left data-focus:bg-paper">
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
    </div>
  );
}

export function ErrorBoundary() {
  return <ProblemPage />;
}
