/**
 * What the web makes of a kind that was added beside the others, as JSON. Run in a process of its own by `toyKind.test.ts`.
 */
import { addToyKind } from '@calm-apron/contract/testing'

addToyKind()
const { ODALYS, doorsWith, freshDevice, sessionOf, todayOf } = await import('./device.ts')
const { inSetup } = await import('./inSetup.ts')
const { kindOf, preparedInput, upcast } = await import('@calm-apron/contract')
const { ROOM_KINDS, newEquipment } = await import('../places/prepare/room/newEquipment.ts')
const { fieldsOf } = await import('../places/prepare/fields/fieldSpec.ts')
const { emptyPart } = await import('../places/prepare/fields/emptyParts.ts')
const { useFieldWords } = await import('../places/prepare/fields/useFieldWords.ts')

// The types know the kinds that ship.
const toy = 'toy' as never
const fields = fieldsOf(kindOf(toy).content)
const content = { ...newEquipment(toy), name: 'Warming stone', heatsG: 120 }
await freshDevice({
  'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
  'GET /today': () => ({ body: todayOf('Ostrel') }),
})
const { result: words, end } = await inSetup(() => useFieldWords(toy))
process.stdout.write(
  JSON.stringify({
    isInRooms: ROOM_KINDS.includes(toy),
    asked: fields.map(({ name }) => name),
    begun: newEquipment(toy),
    mark: emptyPart(toy, 'marks'),
    sent: preparedInput.parse({
      kind: 'toy',
      parentId: '019a5c00-0000-7008-8000-000000000001',
      content,
    }).content,
    changes: words.changes(fields, content, { ...content, glow: 'bright' }),
    former: upcast(toy, { name: 'Warming stone' }, 1),
  }),
)
end()
process.exit(0)
