import { useState } from "react";
import { useFetcher } from "react-router";
import { Button } from "../components/Button";
import { Choice, Field, Labelled, inputClasses } from "../components/Field";
import { Notice } from "../components/Notice";
import { useUnsaved } from "../components/useUnsaved";
import { SidePanel } from "../components/SidePanel";
import { type EditedProduct } from "../../server/catalogue/editedProduct";
import { type ChosenMedia } from "../mediaChoice/useChosenMedia";
import { PictureOrder } from "./PictureOrder";
import { type CatalogueAnswer } from "./answer";
import { useOnceSaved } from "../components/useOnceSaved";

/** All of one product, beside the table. */
export function ProductEditor({
  product,
  currency,
  media,
  onClose,
}: {
  product: EditedProduct | null;
  currency: string;
  media: ChosenMedia;
  onClose: () => void;
}) {
  const fetcher = useFetcher<CatalogueAnswer>();
  const problems = fetcher.data?.problems ?? {};
  const saved = fetcher.state === "idle" && fetcher.data?.saved === true;
  useOnceSaved(saved, onClose);
  const { touch, close } = useUnsaved(onClose);
  // What it was when this panel was opened: what colleagues change meanwhile stays.
  const [base] = useState(product?.typed);
  return (
    <SidePanel title={product ? product.typed.name : "New product"} onClose={close}>
      <fetcher.Form
        onChange={touch}
        method="post"
        action="/catalogue"
        aria-label={product ? `Change ${product.typed.name}` : "New product"}
        className="flex flex-col gap-4"
      >
        <input type="hidden" name="id" value={product?.id ?? ""} />
        {base && <input type="hidden" name="base" value={JSON.stringify(base)} />}
        <div className="grid grid-cols-[1fr_150px] gap-4">
          <Field label="Name" name="name" defaultValue={product?.typed.name} problem={problems["name"]} autoFocus />
          <Field
            label="Price"
            hint={currency}
            name="price"
            inputMode="decimal"
            defaultValue={product?.typed.price}
            problem={problems["price"]}
          />
        </div>
        <Field label="Short line" name="line" defaultValue={product?.typed.line} problem={problems["line"]} />
        <Labelled id="product-text" label="Longer text" problem={problems["text"]}>
          <textarea
            id="product-text"
            name="text"
            rows={3}
            defaultValue={product?.typed.text}
            className={inputClasses}
          />
        </Labelled>
        <PictureOrder loaded={media} chosen={product?.pictures ?? []} />
        <div className="grid grid-cols-2 gap-4">
          <Field label="Code or GTIN" name="code" defaultValue={product?.typed.code} problem={problems["code"]} />
          <Field
            label="Holds"
            hint="500 g, 1.5 l, 6 pieces"
            name="content"
            defaultValue={product?.typed.content}
            problem={problems["content"]}
          />
          <Field
            label="Tags"
            hint="with commas"
            name="tags"
            defaultValue={product?.typed.tags}
            problem={problems["tags"]}
          />
          <Choice
            label="In stock"
            name="stock"
            defaultValue={product?.typed.stock ?? "yes"}
            options={[
              ["yes", "yes"],
              ["no", "no"],
            ]}
          />
        </div>
        <Field label="Link" name="link" defaultValue={product?.typed.link} problem={problems["link"]} />
        {product && product.history.length > 0 && (
          <div>
            <p className="mb-1 text-sm">Price history</p>
            <ul className="divide-y divide-rule border-y border-rule text-sm">
              {product.history.map(({ from, price }) => (
                <li key={from} className="flex justify-between py-1.5">
                  <span>from {from}</span>
                  <span className="figures">{price}</span>
                </li>
              ))}
            </ul>
          </div>
        )}
        {fetcher.data?.problem && <Notice kind="wrong">{fetcher.data.problem}</Notice>}
        <div className="flex items-center gap-4 border-t border-rule pt-4">
          <Button look="main" type="submit" name="intent" value="product" disabled={fetcher.state !== "idle"}>
            Save
          </Button>
          <Button look="quiet" onClick={close}>
            Cancel
          </Button>
          {product && (
            <button
              type="submit"
              name="intent"
              value="remove-product"
              formNoValidate
              className="ml-auto text-sm text-wrong hover:underline"
            >
              Remove
            </button>
          )}
        </div>
      </fetcher.Form>
    </SidePanel>
  );
}
