// AssemblyScript, part of planar.as.ts. What `applyTable` of core/grading/lookupTable.ts does, to the same bytes: colours changed
// between the points of a table by tetrahedral interpolation, the three channels of a pixel at once.

/** As in lookupTable.ts: points along an edge, parts of a byte, and bytes from a point to the next along each edge. */
const SIDE = 33;
const STEPS = SIDE - 1;
const PARTS = 16;
const WHOLE = 255;
const ONE = WHOLE * PARTS;
const RED_STEP = 6;
const GREEN_STEP = SIDE * RED_STEP;
const BLUE_STEP = SIDE * GREEN_STEP;
const ALL = RED_STEP + GREEN_STEP + BLUE_STEP;

function below(byte: i32): i32 {
  return min(STEPS - 1, (byte * STEPS) / WHOLE);
}

/** The colour at a point, times a weight. */
function weighed(point: usize, weight: i32): v128 {
  return i32x4.extmul_low_i16x8_s(v128.load64_zero(point), i16x8.splat(i16(weight)));
}

/** Colours that were changed lately are found again by a number of so many bits that is made of them. */
const SEEN_BITS = 16;
/** What is noted of one: the colour, then what it became. */
const SEEN_BYTES = 8;

/**
 * Changes so many opaque pixels in place. `table` is where the table's values lie, as whole numbers of 16 bits; two bytes after
 * its end are read too. `seen` is where 2^SEEN_BITS × SEEN_BYTES bytes are kept from call to call, noughts at first: frames
 * have far fewer colours than pixels, and the next one mostly the same.
 */
export function applyTable(rgba: usize, pixels: i32, table: usize, seen: usize): void {
  const end = rgba + usize(pixels) * 4;
  for (let at = rgba; at < end; at += 4) {
    const color = load<u32>(at);
    // Multiplied by the golden ratio's share of 2^32, colours close to each other lie far apart (Knuth, 6.4).
    const noted = seen + usize((color * 0x9e3779b1) >> (32 - SEEN_BITS)) * SEEN_BYTES;
    if (load<u32>(noted) != color) {
      store<u32>(noted, color);
      store<u32>(noted, changed(color, table), 4);
    }
    store<u32>(at, load<u32>(noted, 4));
  }
}

function changed(color: u32, table: usize): u32 {
  const red = i32(color & 255);
  const green = i32((color >> 8) & 255);
  const blue = i32((color >> 16) & 255);
  const belowRed = below(red);
  const belowGreen = below(green);
  const belowBlue = below(blue);
  // How many 255ths of the way to the next point each channel has gone.
  const x = red * STEPS - belowRed * WHOLE;
  const y = green * STEPS - belowGreen * WHOLE;
  const z = blue * STEPS - belowBlue * WHOLE;
  const most = max(x, max(y, z));
  const least = min(x, min(y, z));
  const middle = x + y + z - most - least;
  // Along the edge of the channel that has gone farthest first, along that of the least last.
  const firstEdge = select(select(RED_STEP, BLUE_STEP, x >= z), select(GREEN_STEP, BLUE_STEP, y >= z), x >= y);
  const lastEdge = select(select(BLUE_STEP, RED_STEP, x >= z), select(GREEN_STEP, RED_STEP, x >= y), y >= z);
  const corner = table + usize(belowRed * RED_STEP + belowGreen * GREEN_STEP + belowBlue * BLUE_STEP);
  const near = i32x4.add(weighed(corner, WHOLE - most), weighed(corner + usize(firstEdge), most - middle));
  const far = i32x4.add(weighed(corner + usize(ALL - lastEdge), middle - least), weighed(corner + usize(ALL), least));
  const sum = i32x4.add(i32x4.add(near, far), i32x4.splat(ONE / 2));
  // Exact: a sum has at most 23 bits, and the quotient is rounded once.
  const value = i32x4.trunc_sat_f32x4_s(f32x4.div(f32x4.convert_i32x4_s(sum), f32x4.splat(f32(ONE))));
  const words = i16x8.narrow_i32x4_s(value, value);
  const bytes = i8x16.narrow_i16x8_u(words, words);
  return (color & 0xff000000) | (u32(i32x4.extract_lane(bytes, 0)) & 0xffffff);
}
