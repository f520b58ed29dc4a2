import { type TeamOnInstance } from "../../server/people/newTeam";

const NUMBERS = ["People", "Promotions"] as const;

/** The teams of an instance. @param own the id of the reader's own */
export function TeamTable({ teams, own }: { teams: readonly TeamOnInstance[]; own: string }) {
  return (
    <table className="h-fit w-full border-collapse">
      <thead>
        <tr className="border-b border-rule text-left text-sm text-soft">
          <th scope="col" className="py-2 font-normal">
            Team
          </th>
          {NUMBERS.map((head) => (
            <th key={head} scope="col" className="w-28 py-2 text-right font-normal max-sm:w-20">
              {head}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {teams.map(({ id, name, members, promotions, isDemo }) => (
          <tr key={id} className="border-b border-rule">
            <th scope="row" className="py-3 text-left font-semibold">
              {name} {id === own && <span className="ml-2 text-sm font-normal text-soft">your own</span>}{" "}
              {isDemo && <span className="ml-2 text-sm font-normal text-soft">demo</span>}
            </th>
            <td className="py-3 text-right figures">{members}</td>
            <td className="py-3 text-right figures">{promotions}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
