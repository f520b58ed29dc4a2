import { type BrandBook } from "../../core/brand/book";
import { Field } from "../components/Field";
import { Lines } from "./Lines";

/** What a brand is called, and how it is found and spoken to. */
export function ContactSection({
  name,
  book,
  problems,
  onName,
  onChange,
}: {
  name: string;
  book: Pick<BrandBook, "contact" | "calls">;
  problems: Readonly<Record<string, string>>;
  onName: (name: string) => void;
  onChange: (part: Partial<BrandBook>) => void;
}) {
  const contact = (part: Partial<BrandBook["contact"]>): void => onChange({ contact: { ...book.contact, ...part } });
  return (
    <section aria-label="Name and contact" className="grid grid-cols-2 gap-x-6 gap-y-4 max-sm:grid-cols-1">
      <Field
        label="Brand name"
        value={name}
        onChange={(event) => onName(event.target.value)}
        problem={problems["name"]}
      />
      <Field
        label="Website"
        value={book.contact.website}
        onChange={(event) => contact({ website: event.target.value })}
        problem={problems["contact.website"]}
      />
      <Field
        label="Phone"
        value={book.contact.phone}
        onChange={(event) => contact({ phone: event.target.value })}
        problem={problems["contact.phone"]}
      />
      <Field
        label="Address"
        value={book.contact.address}
        onChange={(event) => contact({ address: event.target.value })}
        problem={problems["contact.address"]}
      />
      <Lines
        label="Call to action"
        hint="the first is the usual one"
        values={book.calls}
        path="calls"
        problems={problems}
        add="Another phrase"
        onChange={(calls) => onChange({ calls })}
      />
      <Lines
        label="Handle"
        hint="with its sign"
        values={book.contact.handles}
        path="contact.handles"
        problems={problems}
        add="A handle"
        onChange={(handles) => contact({ handles })}
      />
    </section>
  );
}
