/** The part of `qrcode` that makes the modules of a code, without its drawing and file code. */
declare module "qrcode/lib/core/qrcode.js" {
  interface QrCode {
    readonly modules: { readonly size: number; readonly data: Uint8Array };
  }
  const core: { create(text: string, options?: { errorCorrectionLevel?: "L" | "M" | "Q" | "H" }): QrCode };
  export default core;
}
