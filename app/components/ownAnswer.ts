/**
 * What one of our own loaders answers, as JSON; null where it refuses, or answers something else.
 * @param isAnswer whether it is what the loader gives
 */
export async function ownAnswer<Answer>(
  address: string,
  isAnswer: (value: unknown) => value is Answer,
): Promise<Answer | null> {
  const response = await fetch(address);
  const answer: unknown = response.ok ? await response.json() : null;
  return isAnswer(answer) ? answer : null;
}
