import type { TodayBar } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { useAcademy } from '../../data/academy/academy.ts'
import { groupKey } from '../../data/devices/groupKey.ts'
import { groupName } from '../training/groupName.ts'

/** What can be pulled with: the rooms, a room's groups and grinders, the open bags, and the routines, as they are chosen from. */
export function usePullChoices(bar: () => TodayBar | null) {
  const academy = useAcademy()
  const { t } = useI18n()

  const rooms = computed(() =>
    (academy.today?.bars ?? []).map(({ barId, name }) => ({ value: barId, label: name })),
  )
  const groups = computed(() => {
    const machines = bar()?.machines ?? []
    return machines.flatMap(({ machineId, groups: all }) =>
      all.map((_group, groupNo) => ({
        value: groupKey(machineId, groupNo),
        label: groupName(machines, machineId, groupNo),
        machineId,
        groupNo,
      })),
    )
  })
  const grinders = computed(() =>
    (bar()?.grinders ?? []).map(({ grinderId, name }) => ({ value: grinderId, label: name })),
  )
  const bags = computed(() =>
    (academy.today?.coffees ?? []).flatMap(({ name: coffee, bags: all }) =>
      all
        .filter(({ openedOn }) => openedOn !== null)
        .map(({ bagId, name: bag, leftG }) => ({
          value: bagId,
          label: t('training.bag', { coffee, bag }),
          leftG,
        })),
    ),
  )

  const routines = computed(() =>
    (academy.today?.routines ?? []).map(({ routineId, name, steps }) => ({
      value: routineId,
      label: name,
      steps,
    })),
  )

  return { rooms, groups, grinders, bags, routines }
}
