import { useLocalStorage } from '@vueuse/core'
import { computed } from 'vue'
import { useAcademy } from '../../data/academy/academy.ts'
import type { ShotDraft, ShotSetting } from '../draft/shotDraft.ts'
import { routinesFor } from '../training/routineFor.ts'
import { usePullChoices } from './usePullChoices.ts'

/** What a shot by itself is pulled with. */
export type ShotWith = Pick<ShotSetting, 'barId' | 'machineId' | 'groupNo' | 'grinderId' | 'bagId'> &
  Partial<Pick<ShotDraft, 'routineId'>>

/** What was chosen on this device; parts that are gone since, or were never asked, are the first of their kind. */
interface Chosen {
  barId?: string
  group?: string
  grinderId?: string
  bagId?: string
  routineId?: string
}

const PARTS = [
  'barId',
  'group',
  'grinderId',
  'bagId',
  'routineId',
] as const satisfies readonly (keyof Chosen)[]

/**
 * What one shot by itself is pulled with: the room, group, grinder, bag and routine that were chosen on this device last. Of what there
 * is only one, nobody is asked.
 */
export function useShotWith() {
  const academy = useAcademy()
  const chosen = useLocalStorage<Chosen>('calm-apron.shot-with', {})

  const bars = computed(() => academy.today?.bars ?? [])
  const bar = computed(() => academy.bar(chosen.value.barId ?? '') ?? bars.value[0] ?? null)
  const { rooms, groups, grinders, bags, routines } = usePullChoices(() => bar.value)
  const group = computed(
    () => groups.value.find(({ value }) => value === chosen.value.group) ?? groups.value[0] ?? null,
  )
  /** Those that suit a machine. */
  const routinesAt = (machineId: string | null) => routinesFor(routines.value, academy.machine(machineId))
  const options = computed(() => ({
    barId: rooms.value,
    group: groups.value,
    grinderId: grinders.value,
    bagId: bags.value.filter(({ leftG }) => leftG > 0),
    routineId: routinesAt(group.value?.machineId ?? null),
  }))

  /** What stands for a part among some: as it was chosen, else the bag in the hopper, else the first there is. */
  function among(part: keyof Chosen, offered: readonly { value: string }[]): string | null {
    const usual = part === 'bagId' ? academy.bagInHopper?.bagId : undefined
    const isOffered = (value: string | undefined) => offered.some((each) => each.value === value)
    const found = [chosen.value[part], usual].find(isOffered)
    return found ?? offered[0]?.value ?? null
  }
  const valueOf = (part: keyof Chosen) => among(part, options.value[part])
  const routineAt = (machineId: string | null) => among('routineId', routinesAt(machineId))
  const parts = computed(() =>
    PARTS.map((part) => ({ part, value: valueOf(part), options: options.value[part] })),
  )
  /** Those of which there are several. */
  const asked = computed(() => parts.value.filter(({ options: offered }) => offered.length > 1))
  /** Whether somebody chose here already, of all that there is to choose. */
  const isChosen = computed(() => asked.value.every(({ part, value }) => chosen.value[part] === value))
  const words = computed(() =>
    parts.value.flatMap(
      ({ value, options: offered }) => offered.find((each) => each.value === value)?.label ?? [],
    ),
  )

  /** All that stands is meant from now on, also what nobody changed. */
  function keep(): void {
    chosen.value = Object.fromEntries(asked.value.map((each) => [each.part, each.value]))
  }
  /** Another room has a group and a grinder of its own. */
  function choose(part: keyof Chosen, value: string): void {
    chosen.value = { ...chosen.value, [part]: value }
  }

  const shotWith = computed<ShotWith | null>(() => {
    if (bar.value === null) return null
    return {
      barId: bar.value.barId,
      machineId: group.value?.machineId ?? null,
      groupNo: group.value?.groupNo ?? null,
      grinderId: valueOf('grinderId'),
      bagId: valueOf('bagId'),
      routineId: valueOf('routineId'),
    }
  })

  return { asked, isChosen, words, choose, keep, shotWith, routineAt }
}
