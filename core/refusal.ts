/**
 * What was asked for can't be done, and the message says why and what to do instead. It is shown to whoever asked; a
 * mistake in the program is any other error, and is not.
 */
export class Refusal extends Error {
  override readonly name = "Refusal";
}
