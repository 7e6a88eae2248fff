/** UTF-16 without its mark: of Latin text every second byte is nought. */
function unmarkedUtf16(bytes: Uint8Array): 'utf-16le' | 'utf-16be' | undefined {
  const head = bytes.subarray(0, 400);
  if (head.length < 8 || bytes.length % 2 !== 0) return undefined;
  const noughts = (from: number) => head.filter((byte, at) => at % 2 === from && byte === 0).length / (head.length / 2);
  if (noughts(1) > 0.7 && noughts(0) < 0.1) return 'utf-16le';
  return noughts(0) > 0.7 && noughts(1) < 0.1 ? 'utf-16be' : undefined;
}

/**
 * Letters of a file: by its byte-order mark, as UTF-16 where every other byte is nought, as UTF-8, and where it is none of
 * these in the code page of older programs (Windows-1252), so that no name loses its accents.
 *
 * @see The Unicode Standard 15.0, 23.8, byte order mark
 */
export function decodeText(bytes: Uint8Array): string {
  const marked =
    bytes[0] === 0xff && bytes[1] === 0xfe
      ? 'utf-16le'
      : bytes[0] === 0xfe && bytes[1] === 0xff
        ? 'utf-16be'
        : unmarkedUtf16(bytes);
  try {
    return new TextDecoder(marked ?? 'utf-8', { fatal: true }).decode(bytes);
  } catch {
    return new TextDecoder('windows-1252').decode(bytes);
  }
}
