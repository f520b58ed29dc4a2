import { randomUUID } from "node:crypto";
import { createPromotion } from "../promotions/promotionStore";
import { filesIn, requestRender } from "../render/renditions";
import { shortScenes } from "./shortRender";
import { type TestTeam } from "./team";

/**
 * Square renditions, oldest first, that a team without any asks for, of one promotion of words alone whose scenes are so
 * long. Its words are its own: what looks the same is painted once, whichever team asks for it.
 */
export async function askedRenditions(team: TestTeam, length: number, renders = 1): Promise<readonly string[]> {
  await team.brand("Ash");
  const product = await team.product("Pot", 2400);
  const made = await createPromotion(team.scope, { template: "opening-hours", product, offer: null }, team.memberId);
  const words = { kind: "words", text: randomUUID() } as const;
  const fills = { "notice.headline": words, "hours.heading": words };
  const promotion = { ...made, document: { ...made.document, ...shortScenes(length), fills } };
  const letPass = { by: "Imre Vass", reason: "Only a test" };
  for (let render = 0; render < renders; render++)
    await requestRender(team.scope, promotion, { files: filesIn(["square"], "480p"), letPass });
  return (await team.scope.select("rendition").select("id").orderBy("created_at").execute()).map(({ id }) => id);
}
