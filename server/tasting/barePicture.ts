/** What a picture's first bytes say it is. */
const KINDS = {
  jpeg: (bytes: Buffer) => bytes.subarray(0, 3).equals(Buffer.from([0xff, 0xd8, 0xff])),
  png: (bytes: Buffer) => bytes.subarray(0, 8).equals(PNG_SIGNATURE),
  webp: (bytes: Buffer) =>
    bytes.toString('latin1', 0, 4) === 'RIFF' && bytes.toString('latin1', 8, 12) === 'WEBP',
} as const
const PNG_SIGNATURE = Buffer.from([0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])

const ADDRESS = /^data:image\/(jpeg|png|webp);base64,/

/**
 * A picture without all that is not the picture itself: where it was taken, by which device, previews, comments, and
 * whatever hangs on behind its end.
 * @param address as a data address
 * @returns null where its bytes are not those of the kind that it says it is, or end too early
 */
export function barePicture(address: string): string | null {
  const kind = ADDRESS.exec(address)?.[1]
  if (kind !== 'jpeg' && kind !== 'png' && kind !== 'webp') return null
  const bytes = Buffer.from(address.slice(address.indexOf(',') + 1), 'base64')
  if (!KINDS[kind](bytes)) return null
  const bare = BARE[kind](bytes)
  return bare === null ? null : `data:image/${kind};base64,${bare.toString('base64')}`
}

const BARE = { jpeg: bareJpeg, png: barePng, webp: bareWebp } as const

const MARKER = 0xff
const SCAN = 0xda
/** How it is to be read: JFIF, a colour profile, Adobe's colour transform. Other application segments and comments go. */
const KEPT_APPLICATION_SEGMENTS = new Set([0xe0, 0xe2, 0xee])
const isAside = (marker: number) =>
  (marker >= 0xe0 && marker <= 0xef && !KEPT_APPLICATION_SEGMENTS.has(marker)) || marker === 0xfe
const END_OF_JPEG = Buffer.from([MARKER, 0xd9])

/** Segments follow each other, each with its length, up to the scans, which end with the picture. */
function bareJpeg(bytes: Buffer): Buffer | null {
  const kept = [bytes.subarray(0, 2)]
  for (let at = 2; at + 4 <= bytes.length;) {
    const marker = bytes[at + 1] ?? 0
    if (bytes[at] !== MARKER) return null
    if (marker === SCAN) {
      const end = bytes.lastIndexOf(END_OF_JPEG)
      return end < at ? null : Buffer.concat([...kept, bytes.subarray(at, end + 2)])
    }
    const next = at + 2 + bytes.readUInt16BE(at + 2)
    if (!isAside(marker)) kept.push(bytes.subarray(at, next))
    at = next
  }
  return null
}

/** What a PNG is drawn by; all that is only told beside it goes. */
const KEPT_CHUNKS = new Set(['IHDR', 'PLTE', 'IDAT', 'IEND', 'tRNS', 'gAMA', 'cHRM', 'sRGB', 'iCCP', 'sBIT'])

function barePng(bytes: Buffer): Buffer | null {
  const kept: Buffer[] = [PNG_SIGNATURE]
  for (let at = PNG_SIGNATURE.length; at + 12 <= bytes.length;) {
    const name = bytes.toString('latin1', at + 4, at + 8)
    const next = at + 12 + bytes.readUInt32BE(at)
    if (KEPT_CHUNKS.has(name)) kept.push(bytes.subarray(at, next))
    if (name === 'IEND') return Buffer.concat(kept)
    at = next
  }
  return null
}

const WEBP_HEAD = 12
const ASIDE_CHUNKS = new Set(['EXIF', 'XMP '])
/** In the flags of an extended file: that it holds EXIF, and XMP. */
const ASIDE_FLAGS = 0b1100

function bareWebp(bytes: Buffer): Buffer | null {
  const end = 8 + bytes.readUInt32LE(4)
  if (end > bytes.length) return null
  const kept: Buffer[] = []
  for (let at = WEBP_HEAD; at + 8 <= end;) {
    const name = bytes.toString('latin1', at, at + 4)
    const size = bytes.readUInt32LE(at + 4)
    const next = at + 8 + size + (size % 2)
    const chunk = Buffer.from(bytes.subarray(at, next))
    if (name === 'VP8X') chunk.writeUInt8((chunk[8] ?? 0) & ~ASIDE_FLAGS, 8)
    if (!ASIDE_CHUNKS.has(name)) kept.push(chunk)
    at = next
  }
  const body = Buffer.concat(kept)
  const head = Buffer.from(bytes.subarray(0, WEBP_HEAD))
  head.writeUInt32LE(body.length + 4, 4)
  return body.length === 0 ? null : Buffer.concat([head, body])
}
