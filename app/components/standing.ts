import { type Size } from "../../core/geometry/rect";

/** How tall a shape stands beside others in a row: the wider, the lower, so that none of them looks small. */
const standing = ({ width, height }: Size): number => 0.74 * Math.sqrt(height / width);

/** The share of a row's width that a shape takes, for `flex-grow`. */
export const shareOfRow = (shape: Size): number => (standing(shape) * shape.width) / shape.height;
