import { type FetcherWithComponents } from "react-router";
import { Menu, MenuButton, MenuItem, MenuItems } from "@headlessui/react";
import { ChevronDown } from "lucide-react";
import { type PeopleAnswer } from "./peopleAnswer";

interface Shown {
  readonly id: string;
  readonly name: string;
  readonly email: string;
  readonly role: string;
  readonly since: string;
  readonly isYou: boolean;
}

/** Somebody in the team; an owner changes their role, or takes them out. */
export function MemberRow({
  member: { id, name, email, role, since, isYou },
  owns,
  roles,
  fetcher,
}: {
  member: Shown;
  owns: boolean;
  roles: readonly string[];
  fetcher: FetcherWithComponents<PeopleAnswer>;
}) {
  const send = (fields: Readonly<Record<string, string>>): void =>
    void fetcher.submit({ id, ...fields }, { method: "post" });
  const remove = (): void => {
    if (confirm(`Take ${name} out of the team? They are signed out at once; what they made stays.`))
      send({ intent: "remove" });
  };
  const handOver = (): void => {
    if (confirm(`Make ${name} the owner in your place? You become a designer.`)) send({ intent: "hand-over" });
  };
  const others = roles.filter((one) => one !== role);
  return (
    <li className="flex items-center justify-between gap-4 py-3">
      <span className="min-w-0">
        <strong>{name}</strong>
        {isYou && <span className="ml-2 text-sm text-soft">you</span>}
        <br />
        <span className="block truncate text-sm text-soft">
          {email}, here since {since}
        </span>
      </span>
      {owns ? (
        <Menu>
          <MenuButton
            className="flex items-center gap-1 whitespace-nowrap"
            aria-label={`${name}: ${role}. What to change`}
          >
            {role} <ChevronDown aria-hidden size={15} />
          </MenuButton>
          <MenuItems anchor="bottom end" className="z-20 mt-2 w-60 border border-rule bg-card p-2 shadow-lg">
            {others.map((one) => (
              <Item key={one} text={`Make ${one}`} act={() => send({ intent: "role", role: one })} />
            ))}
            {!isYou && <Item text="Link for another password" act={() => send({ intent: "password-link" })} />}
            {!isYou && <Item text="Hand the team over" act={handOver} />}
            {!isYou && <Item text="Take out of the team" act={remove} />}
          </MenuItems>
        </Menu>
      ) : (
        <span>{role}</span>
      )}
    </li>
  );
}

function Item({ text, act }: { text: string; act: () => void }) {
  return (
    <MenuItem>
      <button type="button" onClick={act} className="w-full px-2 py-1.5 text-left data-focus:bg-paper">
        {text}
      </button>
    </MenuItem>
  );
}
