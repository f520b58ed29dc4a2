import { inflateSync } from "node:zlib";

const HEADER = 44;
const ENTRY = 20;
/** A font this large unpacked is no font. */
const MOST_BYTES = 60_000_000;

/** Unpacks a WOFF 1.0 file to the TrueType or OpenType font inside (W3C WOFF File Format 1.0). Throws when it is broken. */
export function unpackWoff(woff: Buffer): Buffer {
  if (woff.length < HEADER || woff.toString("latin1", 0, 4) !== "wOFF") throw new SyntaxError("not a WOFF file");
  const flavor = woff.readUInt32BE(4);
  const count = woff.readUInt16BE(12);
  if (woff.readUInt32BE(16) > MOST_BYTES || woff.length < HEADER + count * ENTRY)
    throw new SyntaxError("a WOFF file with a broken header");
  const tables = Array.from({ length: count }, (_, index) => {
    const at = HEADER + index * ENTRY;
    const [tag, offset, packed, length, checksum] = [
      woff.readUInt32BE(at),
      woff.readUInt32BE(at + 4),
      woff.readUInt32BE(at + 8),
      woff.readUInt32BE(at + 12),
      woff.readUInt32BE(at + 16),
    ];
    if (offset + packed > woff.length || length > MOST_BYTES || packed > length)
      throw new SyntaxError("a WOFF file with tables outside of it");
    const data = woff.subarray(offset, offset + packed);
    const plain = packed < length ? inflateSync(data, { maxOutputLength: length }) : data;
    if (plain.length !== length) throw new SyntaxError("a WOFF file with a table of the wrong length");
    return { tag, checksum, plain };
  }).sort((a, b) => a.tag - b.tag);
  return sfnt(flavor, tables);
}

/** Puts tables together as OpenType 1.9 says: a directory, then each table on a multiple of four bytes. */
function sfnt(flavor: number, tables: readonly { tag: number; checksum: number; plain: Buffer }[]): Buffer {
  const directory = Buffer.alloc(12 + tables.length * 16);
  const power = 2 ** Math.floor(Math.log2(Math.max(1, tables.length)));
  directory.writeUInt32BE(flavor, 0);
  directory.writeUInt16BE(tables.length, 4);
  directory.writeUInt16BE(power * 16, 6);
  directory.writeUInt16BE(Math.log2(power), 8);
  directory.writeUInt16BE(tables.length * 16 - power * 16, 10);
  let offset = directory.length;
  const parts: Buffer[] = [directory];
  tables.forEach(({ tag, checksum, plain }, index) => {
    const at = 12 + index * 16;
    directory.writeUInt32BE(tag, at);
    directory.writeUInt32BE(checksum, at + 4);
    directory.writeUInt32BE(offset, at + 8);
    directory.writeUInt32BE(plain.length, at + 12);
    const padding = (4 - (plain.length % 4)) % 4;
    parts.push(plain, Buffer.alloc(padding));
    offset += plain.length + padding;
  });
  return Buffer.concat(parts);
}
