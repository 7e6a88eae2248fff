/** What each kind of picture begins with; a dot stands for any byte. @see the formats' own specifications */
const SIGNATURES: ReadonlyArray<{ type: string; bytes: readonly (number | undefined)[] }> = [
  { type: 'image/jpeg', bytes: [0xff, 0xd8, 0xff] },
  { type: 'image/png', bytes: [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a] },
  {
    type: 'image/webp',
    bytes: [0x52, 0x49, 0x46, 0x46, undefined, undefined, undefined, undefined, 0x57, 0x45, 0x42, 0x50],
  },
];

/** The kind of picture that some bytes are, by their first ones; undefined where they are none that is kept. */
export const pictureType = (content: Uint8Array): string | undefined =>
  SIGNATURES.find(({ bytes }) => bytes.every((byte, at) => byte === undefined || content[at] === byte))?.type;
