/**
 * What several pieces of work give that run side by side. When one fails, the others are told to stop, and are waited for:
 * none goes on with what the caller then clears away. Rejects with the first failure.
 *
 * @param signal stops all of them
 */
export async function allOrStop<Result>(
  signal: AbortSignal,
  begin: (stop: AbortSignal) => readonly Promise<Result>[],
): Promise<Result[]> {
  const failed = new AbortController();
  const work = begin(AbortSignal.any([signal, failed.signal]));
  try {
    return await Promise.all(work);
  } catch (error) {
    failed.abort(error);
    await Promise.allSettled(work);
    throw error;
  }
}
