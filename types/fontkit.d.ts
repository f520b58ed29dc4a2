declare module "fontkit" {
  export interface Font {
    readonly unitsPerEm: number;
    readonly familyName: string | null;
    readonly subfamilyName: string | null;
    readonly "OS/2"?: {
      readonly fsType?: { readonly noEmbedding?: boolean; readonly viewOnly?: boolean; readonly editable?: boolean };
      readonly usWeightClass?: number;
    };
    layout(text: string): { readonly positions: readonly { readonly xAdvance: number }[] };
  }
  export function create(bytes: Uint8Array): Font;
}
