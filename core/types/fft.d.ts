/** What core uses of the fast Fourier transform; its package brings no types. */
declare module 'fft.js' {
  export default class FFT {
    /** @param size a power of two, at least 2 */
    constructor(size: number);
    createComplexArray(): number[];
    realTransform(output: number[], input: ArrayLike<number>): void;
    completeSpectrum(spectrum: number[]): void;
    inverseTransform(output: number[], spectrum: ArrayLike<number>): void;
  }
}
