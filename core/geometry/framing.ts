import { type Point, type Rect, type Size, rect } from "./rect";

/** Where in a picture the subject is, as fractions of its width and height (0 to 1). */
export type FocalPoint = Point;
export const CENTRE: FocalPoint = { x: 0.5, y: 0.5 };

/**
 * The part of a picture (in its own pixels) that fills `frame` wholly without distortion, keeping the focal point as
 * near the middle of the frame as the picture's edges allow.
 *
 * Scale as `object-fit: cover` in CSS Images 3; `zoom` 1 is exactly filling, 1.1 shows 1/1.1 of it.
 */
export function coverPart(picture: Size, frame: Size, focal: FocalPoint = CENTRE, zoom = 1): Rect {
  if (!(picture.width > 0 && picture.height > 0))
    throw new RangeError("A picture must have a width and a height above 0.");
  if (!(frame.width > 0 && frame.height > 0)) throw new RangeError("A frame must have a width and a height above 0.");
  const scale = Math.max(frame.width / picture.width, frame.height / picture.height) * Math.max(1, zoom);
  const width = Math.min(picture.width, frame.width / scale);
  const height = Math.min(picture.height, frame.height / scale);
  const clampStart = (wanted: number, length: number, whole: number): number =>
    Math.min(Math.max(0, wanted), whole - length);
  return rect(
    clampStart(focal.x * picture.width - width / 2, width, picture.width),
    clampStart(focal.y * picture.height - height / 2, height, picture.height),
    width,
    height,
  );
}

/** Where a whole picture lies inside `frame`, centred and undistorted: `object-fit: contain` in CSS Images 3. */
export function containPlace(picture: Size, frame: Rect, align: Point = CENTRE): Rect {
  if (!(picture.width > 0 && picture.height > 0))
    throw new RangeError("A picture must have a width and a height above 0.");
  const scale = Math.min(frame.width / picture.width, frame.height / picture.height);
  const width = picture.width * scale;
  const height = picture.height * scale;
  return rect(frame.x + (frame.width - width) * align.x, frame.y + (frame.height - height) * align.y, width, height);
}
