import { offerRuns, priceClaimAllowed, rightsClear } from "./allowed";
import { brandColors, logoLargeEnough, logoStandsOut } from "./branded";
import { captionsApart, captionsReadable } from "./captions";
import { chipsFilled } from "./chipsFilled";
import { contrastOnPictures } from "./contrast";
import { ownMedia, ownWords, slotsFilled } from "./filled";
import { type Rule } from "./finding";
import { countsToComing, itemsInSafeArea, itemsReadable, textsApart } from "./items";
import { keepsLength } from "./keepsLength";
import { noFlashes } from "./noFlashes";
import { noSliver, notEnlarged, sourceGood, subjectInSight, subjectUncovered } from "./pictures";
import { onlyHeard } from "./onlyHeard";
import { SOUND_RULES } from "./soundRules";
import { voiceAboveMusic } from "./voiceAboveMusic";
import { insideSafeArea } from "./places";
import { clearOfFurniture, fitsPlacements } from "./placements";
import { readingTime } from "./readingTime";
import { brandSpelt, callsToAct, movesAtOnce, notTooLong, picturesDiffer, saysSomethingAtOnce } from "./whole";
import { lettersThere, wordsFit } from "./wordsFit";

/** Everything that a promotion is looked at for before it is rendered. One entry a rule. */
export const RULES: readonly Rule[] = [
  slotsFilled,
  lettersThere,
  wordsFit,
  contrastOnPictures,
  readingTime,
  insideSafeArea,
  clearOfFurniture,
  notEnlarged,
  subjectInSight,
  subjectUncovered,
  noSliver,
  sourceGood,
  ownWords,
  ownMedia,
  brandSpelt,
  callsToAct,
  saysSomethingAtOnce,
  movesAtOnce,
  picturesDiffer,
  notTooLong,
  keepsLength,
  fitsPlacements,
  rightsClear,
  offerRuns,
  priceClaimAllowed,
  logoLargeEnough,
  logoStandsOut,
  brandColors,
  itemsInSafeArea,
  itemsReadable,
  countsToComing,
  textsApart,
  noFlashes,
  chipsFilled,
  captionsReadable,
  captionsApart,
  onlyHeard,
  voiceAboveMusic,
  ...SOUND_RULES,
];
