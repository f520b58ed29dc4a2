declare module "s3rver" {
  import { type ServerResponse } from "node:http";
  import { type AddressInfo } from "node:net";

  interface Context {
    readonly method: string;
    readonly url: string;
    readonly path: string;
    readonly res: ServerResponse;
    status: number;
  }
  /** A bucket store on loopback, for tests. It is a Koa application. */
  export default class S3rver {
    constructor(options: {
      readonly address: string;
      readonly port: number;
      readonly silent: boolean;
      readonly directory: string;
      readonly configureBuckets: readonly { readonly name: string; readonly configs: readonly unknown[] }[];
    });
    readonly middleware: ((context: Context, next: () => Promise<void>) => Promise<void>)[];
    run(): Promise<AddressInfo>;
    close(): Promise<void>;
  }
}
