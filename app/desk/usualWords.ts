/** Why clips are as loud as they usually are, in words. */
export const usualWords = (usual: number): string => (usual < 1 ? "under music" : "as it is");
