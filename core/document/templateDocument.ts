import { type Formats, formatRecord, formatsInOrder } from "./formatList";
import { type Ordered, listedMembers, orderedRecord } from "./ordered";
import { type SceneTemplate, type Slot } from "./sceneTemplate";
import { type Template } from "./template";

/** A slot without its id, by which it is named. */
type SlotMember<Of = Slot> = Of extends Slot ? Omit<Of, "id"> & Ordered : never;
export interface SceneMember extends Omit<SceneTemplate, "id" | "slots">, Ordered {
  readonly slots: Readonly<Record<string, SlotMember>>;
}

/**
 * A template as it is kept and edited: its formats, scenes and slots are members of records, so that people who change
 * different things never write to the same place. `Template` is the same in lists, as it is read.
 */
export interface TemplateDocument extends Omit<Template, "formats" | "scenes"> {
  readonly formats: Formats;
  readonly scenes: Readonly<Record<string, SceneMember>>;
}

/** What a template document says, in lists. */
export function listedTemplate({ formats, scenes, ...rest }: TemplateDocument): Template {
  return {
    ...rest,
    formats: formatsInOrder({ formats }),
    scenes: listedMembers<string, SceneMember>(scenes).map(({ slots, ...scene }) => ({
      ...scene,
      // Members are slots but for their ids, which these are.
      slots: listedMembers<string, SlotMember>(slots) as Slot[],
    })),
  };
}

/** A template as a document. What stands as it did in the version `before` keeps its order keys. */
export function templateDocument({ formats, scenes, ...rest }: Template, before?: TemplateDocument): TemplateDocument {
  const members = scenes.map(({ slots, ...scene }) => ({
    ...scene,
    slots: orderedRecord(slots, before?.scenes[scene.id]?.slots),
  }));
  return {
    ...rest,
    formats: formatRecord(formats, before?.formats),
    scenes: orderedRecord(members, before?.scenes),
  };
}
