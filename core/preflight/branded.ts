import { logoContrast, LOGO_CONTRAST, LOGO_DETAIL } from "../brand/logoChoice";
import { COLOR_ROLES, isColorRole } from "../color/palette";
import { adjust } from "../document/edits";
import { targetOf } from "../document/adjustments";
import { type AnyColor, type Behind } from "../document/behind";
import { slotKey } from "../document/sceneTemplate";
import { type Rect, evenInsets, inset, overlaps } from "../geometry/rect";
import { type PlacedSlot } from "../scene/prepared";
import { type WholeRule } from "./finding";
import { lettersPlace } from "./lettersPlace";
import { placeCures } from "./placeCures";

/** What is placed snaps to whole units. */
const SLACK = 2;

export const logoLargeEnough: WholeRule = {
  id: "logo-large-enough",
  about: "The logo is no smaller than the brand book allows, and has its clear space.",
  lookAtAll: ({ document, promotion: { facts, scenes }, formats }) => {
    const { leastWidth, clearSpace } = facts.brand.logoRules;
    return formats.flatMap(({ format, scenes: prepared }) =>
      prepared.flatMap(({ slots }, index) =>
        slots
          .filter(({ kind, place }) => kind === "logo" && place.width > 0)
          .flatMap((logo) => {
            const where = { scene: scenes[index]?.id ?? null, format, slot: logo.key };
            const own = logo.logo ?? logo.place;
            const width = Math.round(own.width);
            const cures = placeCures(document, logo.key, format);
            const small = {
              severity: "warning" as const,
              where,
              words: `the logo is ${width} units wide, ${leastWidth} at least`,
              numbers: { widthUnits: width, leastWidthUnits: leastWidth },
              cures,
            };
            const inTheWay = slots.find((other) => isInTheWay(other, own, clearSpace));
            const close = {
              severity: "warning" as const,
              where,
              words: `“${inTheWay?.text ?? ""}” stands in the clear space of the logo`,
              numbers: { clearUnits: Math.round(own.height * clearSpace) },
              cures,
            };
            return [...(width < leastWidth - SLACK ? [small] : []), ...(inTheWay ? [close] : [])];
          }),
      ),
    );
  },
};

function isInTheWay(words: PlacedSlot, logo: Rect, clearSpace: number): boolean {
  const letters = lettersPlace(words);
  return letters !== null && overlaps(inset(logo, evenInsets(-logo.height * clearSpace)), letters, SLACK);
}

export const logoStandsOut: WholeRule = {
  id: "logo-stands-out",
  about: "A variant of the logo stands out from its ground, or from the brand's plate.",
  lookAtAll: ({ promotion: { facts, scenes }, prepared }) => {
    const { logos, palette } = facts.brand;
    // A sign of several colours is told from its ground by one of them.
    const reached = logos.flatMap(({ variant, picture }) =>
      (picture.colors ?? [])
        .filter(({ share }) => share >= LOGO_DETAIL)
        .map((color) => logoContrast({ variant, colors: [color] }, palette.card)),
    );
    const reaches = Math.max(...reached);
    // Those whose colours were never measured are let be.
    if (reached.length === 0 || reaches >= LOGO_CONTRAST) return [];
    const at = prepared.scenes.findIndex(({ slots }) =>
      slots.some(({ kind, place }) => kind === "logo" && place.width > 0),
    );
    return at < 0
      ? []
      : [
          {
            severity: "warning",
            where: { scene: scenes[at]?.id ?? null, format: null, slot: null },
            words: `no logo of ${facts.brand.name} stands out, not even on its plate: add a variant to the brand book`,
            numbers: { contrast: Math.round(reaches * 10) / 10, leastContrast: LOGO_CONTRAST },
            cures: [],
          },
        ];
  },
};

const colorsOf = (behind: Behind): readonly AnyColor[] => {
  if (behind.kind === "color") return [behind.color];
  return behind.kind === "gradient" ? [behind.from, behind.to] : [];
};

/** Colours are chosen by their role nearly everywhere; beside a picture any can be. */
export const brandColors: WholeRule = {
  id: "brand-colors",
  about: "Colours are those of the brand.",
  lookAtAll: ({ promotion: { facts, scenes } }) => {
    const own = new Set(COLOR_ROLES.map((role) => facts.brand.palette[role].toLowerCase()));
    return scenes.flatMap((scene) =>
      scene.template.slots.flatMap((slot) => {
        const behind = scene.template.framings[slot.id]?.behind;
        const strange = behind ? colorsOf(behind).find((color) => !isColorRole(color) && !own.has(color)) : undefined;
        if (strange === undefined) return [];
        const key = slotKey(scene.template, slot);
        return [
          {
            severity: "advice" as const,
            where: { scene: scene.id, format: null, slot: key },
            words: `${strange} beside the picture is not a colour of ${facts.brand.name}`,
            numbers: {},
            cures: [
              {
                ...adjust("behind", { kind: "color", color: "ground" }, { target: targetOf(key) }),
                label: "Take the brand's ground",
              },
            ],
          },
        ];
      }),
    );
  },
};
