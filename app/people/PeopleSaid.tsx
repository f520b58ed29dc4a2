import { Notice } from "../components/Notice";
import { LinkToHand } from "./LinkToHand";
import { type PeopleAnswer } from "./peopleAnswer";

/** What was answered: what is wrong, what was done, and a link to hand on. Nothing before anything was asked. */
export function PeopleSaid({ said }: { said: PeopleAnswer | undefined }) {
  return (
    <>
      {said?.problem && <Notice kind="wrong">{said.problem}</Notice>}
      {said?.done && <Notice kind="ready">{said.done}</Notice>}
      {said?.link && <LinkToHand path={said.link} />}
    </>
  );
}
