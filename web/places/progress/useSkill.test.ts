import { ref } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'
import { IDA, ODALYS, type Said, doorsWith, freshDevice, sessionOf, settled } from '../../testing/device.ts'
import { RECIPE_REVISION, TEO, houseOf, listedShot } from '../../testing/house.ts'
import { inSetup } from '../../testing/inSetup.ts'
import { useSkill } from './useSkill.ts'

const ofPerson = (personId: string) => `GET /shots?personId=${personId}&limit=60`
const listOf = (personId: string, count: number): Said => ({
  body: {
    shots: Array.from({ length: count }, (_, at) => listedShot(count - at, { personId })),
    recipes: [RECIPE_REVISION],
    nextCursor: null,
  },
})

async function skillOf(says: Parameters<typeof freshDevice>[0], personId: () => string) {
  await freshDevice({
    'GET /doors': () => doorsWith(sessionOf(ODALYS), ODALYS),
    'GET /today': () => ({ body: houseOf() }),
    ...says,
  })
  const { result, end } = await inSetup(() => useSkill(personId))
  await useDoor().load()
  await useAcademy().load()
  await settled()
  return { skill: result, end }
}

test('skill rests on a person’s newest shots, and is none where there are none', async () => {
  const chosen = ref(IDA)
  const { skill, end } = await skillOf(
    { [ofPerson(IDA)]: () => listOf(IDA, 3), [ofPerson(TEO)]: () => listOf(TEO, 0) },
    () => chosen.value,
  )
  expect(skill.value?.shots).toBe(3)
  chosen.value = TEO
  await settled()
  expect(skill.value).toBeNull()
  end()
})

test('a slower answer for someone who is no longer chosen is dropped', async () => {
  const chosen = ref(IDA)
  let answer: (said: Said) => void = () => undefined
  const slow = new Promise<Said>((resolve) => (answer = resolve))
  const { skill, end } = await skillOf(
    { [ofPerson(IDA)]: () => slow, [ofPerson(TEO)]: () => listOf(TEO, 2) },
    () => chosen.value,
  )
  chosen.value = TEO
  await settled()
  expect(skill.value?.shots).toBe(2)
  answer(listOf(IDA, 5))
  await settled()
  expect(skill.value?.shots).toBe(2)
  end()
})
