import { type Finding, type HeardPromotion, everywhere } from "./finding";
import { SOUND_RULES } from "./soundRules";

/** What was found in all that is heard of a promotion. */
export const findingsInSound = (heard: HeardPromotion): Finding[] =>
  SOUND_RULES.flatMap(({ id: rule, listen }) =>
    listen(heard).map((found): Finding => ({ rule, where: everywhere(null), ...found })),
  );
