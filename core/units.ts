/** Branded numbers: a mix-up between them would be silent, so the compiler keeps them apart. */
declare const unit: unique symbol;
type Branded<Name extends string> = number & { readonly [unit]: Name };

/** Whole milliseconds. All times in documents. */
export type Millis = Branded<"millis">;
/** Minor units of a currency (pence, cents; yen for JPY). Always an integer. */
export type MinorUnits = Branded<"minor-units">;

/** A time in whole milliseconds. Throws when it is not a finite number; fractions are rounded. */
export function millis(value: number): Millis {
  if (!Number.isFinite(value)) throw new RangeError(`A time must be a finite number of milliseconds, got ${value}.`);
  return Math.round(value) as Millis;
}

/** An amount in whole minor units. Throws when it is not a safe integer: money is never a fraction of a minor unit. */
export function minorUnits(value: number): MinorUnits {
  if (!Number.isSafeInteger(value))
    throw new RangeError(`An amount must be a whole number of minor units, got ${value}.`);
  return value as MinorUnits;
}
