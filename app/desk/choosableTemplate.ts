import { type TemplateRef } from "../../core/document/promotion";
import { type Template } from "../../core/document/template";

/** A template that a promotion may take scenes from or move to. */
export interface ChoosableTemplate {
  readonly ref: TemplateRef;
  readonly template: Template;
  /** Said of it in place of its purpose and length. */
  readonly note?: string;
}
