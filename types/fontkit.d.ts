declare module "fontkit" {
  export interface Font {
    readonly unitsPerEm: number;
    layout(text: string): { readonly positions: readonly { readonly xAdvance: number }[] };
  }
  export function create(bytes: Uint8Array): Font;
}
