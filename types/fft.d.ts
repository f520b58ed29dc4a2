declare module "fft.js" {
  /** A transform of a size that is a power of two. */
  export default class FFT {
    constructor(size: number);
    /** Real and imaginary parts in turn: twice as many numbers as samples. */
    createComplexArray(): number[];
    /** Fills the first half of `out`. */
    realTransform(out: number[], samples: ArrayLike<number>): void;
  }
}
