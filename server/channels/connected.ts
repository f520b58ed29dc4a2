import { config } from "../config";
import { ChannelAway, type Channel, type ChannelConnection } from "./connection";
import { httpConnection } from "./httpConnection";

/** How this instance posts; null where no channel is connected. */
export function connected(): ChannelConnection | null {
  const { CHANNELS_URL: address, CHANNELS_TOKEN: token } = config();
  return address === undefined || token === undefined ? null : httpConnection(address, token);
}

/** The channels that can be posted to now, or why none can. */
export type Connected = { readonly channels: readonly Channel[]; readonly problem: string | null };

export async function channelsNow(): Promise<Connected> {
  const connection = connected();
  if (!connection)
    return { channels: [], problem: "No channel is connected here. Whoever runs Stencilcraft sets CHANNELS_URL." };
  try {
    return { channels: await connection.channels(), problem: null };
  } catch (error) {
    if (error instanceof ChannelAway)
      return { channels: [], problem: `${error.message} Load this page again in a moment.` };
    throw error;
  }
}
