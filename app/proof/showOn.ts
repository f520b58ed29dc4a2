/** Puts what was painted on a canvas, as it is; nowhere without one. The bitmap is used up. */
export function showOn(canvas: HTMLCanvasElement | undefined, bitmap: ImageBitmap): void {
  const context = canvas?.getContext("bitmaprenderer");
  if (!canvas || !context) {
    bitmap.close();
    return;
  }
  // The size that the canvas has by itself, for whoever copies it.
  if (canvas.width !== bitmap.width) canvas.width = bitmap.width;
  if (canvas.height !== bitmap.height) canvas.height = bitmap.height;
  context.transferFromImageBitmap(bitmap);
}
