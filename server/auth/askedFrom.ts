/** The header in which the web server itself says which client asks. Whatever a client sends under it is replaced. */
export const CLIENT_HEADER = "x-client-address";
const MOST_DEVICE = 200;

/** Who asks: the client's address, and what its browser says that it is. */
export const askedFrom = ({ headers }: Request): { readonly client: string; readonly device: string } => ({
  client: headers.get(CLIENT_HEADER) ?? "",
  device: (headers.get("user-agent") ?? "").slice(0, MOST_DEVICE),
});
