import { Link, useFetcher } from "react-router";
import { Notice } from "../components/Notice";
import { useMayEdit } from "../components/useMayEdit";

/** What a change of a brand touches, whether it is the usual one, and the end of it. */
export function TouchedPromotions({
  brand,
  touched,
  isUsual,
}: {
  /** Its id. */
  brand: string;
  touched: { readonly count: number; readonly newest: readonly { readonly slug: string; readonly name: string }[] };
  isUsual: boolean;
}) {
  const remover = useFetcher<{ problem: string | null }>();
  const usually = useFetcher();
  const mayEdit = useMayEdit();
  const makeItUsual = (): void => void usually.submit({ intent: "usual", brand }, { method: "post" });
  const remove = (): void => void remover.submit({ intent: "remove", brand }, { method: "post" });
  return (
    <section aria-label="Promotions in this brand" className="text-sm">
      <h2 className="mb-1 text-base">{touched.count === 0 ? "No promotion uses it yet" : "A change touches"}</h2>
      <ul className="divide-y divide-rule border-y border-rule">
        {touched.newest.map(({ slug, name: promotion }) => (
          <li key={slug}>
            <Link to={`/promotions/${slug}`} className="block py-1.5 underline-offset-2 hover:underline">
              {promotion}
            </Link>
          </li>
        ))}
      </ul>
      {touched.count > touched.newest.length && (
        <p className="mt-1 text-soft">and {touched.count - touched.newest.length} more.</p>
      )}
      {touched.count > 0 && (
        <p className="mt-1 text-soft">Their renditions are marked as out of date where a frame would differ.</p>
      )}
      <p className="mt-4 text-soft">
        {isUsual ? "Whoever has chosen no brand works in this one." : "Whoever has chosen no brand works in another."}
        {!isUsual && mayEdit && (
          <button type="button" onClick={makeItUsual} className="ml-2 underline hover:text-ink">
            Make this the usual one
          </button>
        )}
      </p>
      {remover.data?.problem && (
        <Notice kind="wrong" className="mt-3">
          {remover.data.problem}
        </Notice>
      )}
      {mayEdit && (
        <button type="button" onClick={remove} className="mt-4 text-wrong hover:underline">
          Remove this brand
        </button>
      )}
    </section>
  );
}
