import { PICTURE } from '../testing/things.ts'
import { barePicture } from './barePicture.ts'

const SECRET = 'taken at the quay'
const address = (kind: string, bytes: Buffer) => `data:image/${kind};base64,${bytes.toString('base64')}`
const bytesOf = (picture: string | null) => Buffer.from(picture?.split(',')[1] ?? '', 'base64')

const segment = (marker: number, content: string) => {
  const length = Buffer.alloc(2)
  length.writeUInt16BE(content.length + 2)
  return Buffer.concat([Buffer.from([0xff, marker]), length, Buffer.from(content, 'latin1')])
}
const jpegOf = (...segments: Buffer[]) =>
  Buffer.concat([
    Buffer.from([0xff, 0xd8]),
    ...segments,
    segment(0xda, 'head'),
    Buffer.from('scan'),
    Buffer.from([0xff, 0xd9]),
  ])

const chunk = (name: string, content: string) => {
  const length = Buffer.alloc(4)
  length.writeUInt32BE(content.length)
  return Buffer.concat([length, Buffer.from(name), Buffer.from(content, 'latin1'), Buffer.alloc(4)])
}
const PNG = bytesOf(PICTURE)
/** With more before its end. */
const pngWith = (more: Buffer) => Buffer.concat([PNG.subarray(0, -12), more, PNG.subarray(-12)])

const riff = (name: string, content: string) => {
  const length = Buffer.alloc(4)
  length.writeUInt32LE(content.length)
  return Buffer.concat([
    Buffer.from(name),
    length,
    Buffer.from(content, 'latin1'),
    Buffer.alloc(content.length % 2),
  ])
}
const webpOf = (...chunks: Buffer[]) => {
  const body = Buffer.concat([Buffer.from('WEBP'), ...chunks])
  const length = Buffer.alloc(4)
  length.writeUInt32LE(body.length)
  return Buffer.concat([Buffer.from('RIFF'), length, body])
}

test.each([
  [
    'jpeg',
    jpegOf(segment(0xe0, 'JFIF'), segment(0xdb, 'tables')),
    jpegOf(segment(0xe0, 'JFIF'), segment(0xe1, SECRET), segment(0xdb, 'tables'), segment(0xfe, SECRET)),
  ],
  ['png', PNG, pngWith(Buffer.concat([chunk('eXIf', SECRET), chunk('tEXt', SECRET)]))],
  [
    'webp',
    webpOf(riff('VP8X', '\0'.repeat(10)), riff('VP8 ', 'seen')),
    webpOf(
      riff('VP8X', `\x0c${'\0'.repeat(9)}`),
      riff('VP8 ', 'seen'),
      riff('EXIF', SECRET),
      riff('XMP ', SECRET),
    ),
  ],
])('a %s keeps the picture and loses all that was said beside it', (kind, bare, said) => {
  for (const trailing of ['', SECRET]) {
    const kept = bytesOf(barePicture(address(kind, Buffer.concat([said, Buffer.from(trailing)]))))
    expect(kept).toEqual(bare)
  }
  expect(bytesOf(barePicture(address(kind, bare)))).toEqual(bare)
})

test.each([
  ['a page', Buffer.from(`<script>${SECRET}</script>`)],
  ['nothing', Buffer.alloc(0)],
  ['another kind', jpegOf()],
  ['half a picture', PNG.subarray(0, -20)],
])('%s is no picture, whatever its address says', (_what, bytes) => {
  expect(barePicture(address('png', bytes))).toBeNull()
})

test('half a jpeg, or one whose segments lead nowhere, is none', () => {
  expect(barePicture(address('jpeg', jpegOf().subarray(0, -2)))).toBeNull()
  expect(barePicture(address('jpeg', Buffer.from([0xff, 0xd8, 0xff, 0xe0, 0xff, 0xff, 1])))).toBeNull()
  expect(barePicture(address('webp', webpOf().subarray(0, -2)))).toBeNull()
})
