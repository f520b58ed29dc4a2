/**
 * What one of our own loaders answers, as JSON; null where it refuses. It is of the type that the loader gives: the page and
 * the server are of one build.
 */
export async function ownAnswer<Answer extends object>(address: string): Promise<Answer | null> {
  const response = await fetch(address);
  return response.ok ? ((await response.json()) as Answer) : null;
}
