const HEADER = 44;
const BYTES = 2;
const FULL = 32_767;

/**
 * A WAV file of 16 bits, as “Multimedia Programming Interface and Data Specifications 1.0” (1991) lays it out. What is
 * louder than full scale is cut off.
 *
 * @param channels samples of −1 to 1, all as long as the first
 * @param rate samples a second
 * @param gain a factor for all of them
 */
export function wavBytes(channels: readonly Float32Array[], rate: number, gain = 1): Uint8Array<ArrayBuffer> {
  const count = channels[0]?.length ?? 0;
  const frame = channels.length * BYTES;
  const bytes = new Uint8Array(HEADER + count * frame);
  const view = new DataView(bytes.buffer);
  const word = (at: number, text: string): void => bytes.set(new TextEncoder().encode(text), at);
  word(0, "RIFF");
  view.setUint32(4, bytes.length - 8, true);
  word(8, "WAVEfmt ");
  view.setUint32(16, 16, true);
  view.setUint16(20, 1, true);
  view.setUint16(22, channels.length, true);
  view.setUint32(24, rate, true);
  view.setUint32(28, rate * frame, true);
  view.setUint16(32, frame, true);
  view.setUint16(34, BYTES * 8, true);
  word(36, "data");
  view.setUint32(40, count * frame, true);
  channels.forEach((channel, of) => {
    for (let at = 0; at < count; at++) {
      const sample = Math.max(-1, Math.min(1, (channel[at] ?? 0) * gain));
      view.setInt16(HEADER + at * frame + of * BYTES, Math.round(sample * FULL), true);
    }
  });
  return bytes;
}
