import { counted } from "../../core/text/counted";

/** Says how many products more there are than a list shows. */
export const MoreProducts = ({ more }: { more: number }) =>
  more > 0 && (
    <p className="mt-1 border-t border-rule px-3 py-1.5 text-[13px] text-soft">
      {counted(more, "more product")}: type a word of the one you want.
    </p>
  );
