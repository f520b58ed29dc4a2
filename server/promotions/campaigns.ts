import { holds } from "../../core/text/cleanText";
import { string } from "yup";
import { changeMany } from "./changeMany";
import { type TeamScope } from "../db/teamScope";

const MOST_LETTERS = 60;
const campaignSchema = string()
  .trim()
  .test("letters", `The name of a campaign has at most ${MOST_LETTERS} characters.`, holds(MOST_LETTERS))
  .default("");
/** Reads a campaign's name; nothing for none. Throws Yup's ValidationError in words. */
export const readCampaign = (value: unknown): string => campaignSchema.validateSync(value);

/** Files promotions under a campaign, or, without a name, under none. Gives how many there were of them. */
export const fileUnder = (scope: TeamScope, ids: readonly string[], campaign: string): Promise<number> =>
  changeMany(scope, ids, { campaign });
