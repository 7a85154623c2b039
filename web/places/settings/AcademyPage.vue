<script setup lang="ts">
import { type AcademyRecord, CLOCK_HABITS, ENDPOINTS, academyRecord } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { call } from '../../data/api/client.ts'
import { RefusedByServer } from '../../kit/failures.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import TimeZoneField from '../../kit/forms/TimeZoneField.vue'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useDoor } from '../../data/door/door.ts'

const { t } = useI18n()
const door = useDoor()
const academy = useAcademy()
const { issues, failure, isBusy, submit } = useForm()
const here = door.session?.academy
const values = reactive({
  basedOnNo: here?.revisionNo ?? 1,
  name: here?.name ?? '',
  town: here?.town ?? '',
  timeZone: here?.timeZone ?? '',
  clockHabit: here?.clockHabit ?? '24-hours',
})
const habits = CLOCK_HABITS.map((value) => ({ value, label: t(`academy.habit.${value}`) }))
const isSaved = ref(false)
const conflict = ref<AcademyRecord | null>(null)

async function save(): Promise<void> {
  isSaved.value = await submit(ENDPOINTS.changeAcademy.body, values, async (body) => {
    try {
      take(await call(ENDPOINTS.changeAcademy, { body }))
      conflict.value = null
    } catch (error) {
      if (!(error instanceof RefusedByServer) || error.problem.code !== 'changed-meanwhile') throw error
      conflict.value = academyRecord.parse(error.problem.versions?.current)
      values.basedOnNo = conflict.value.revisionNo
    }
  })
  if (conflict.value !== null) isSaved.value = false
  await Promise.all([door.load(), academy.load()])
}

function take({ name, town, timeZone, clockHabit, revisionNo }: AcademyRecord): void {
  Object.assign(values, { name, town, timeZone, clockHabit, basedOnNo: revisionNo })
}
</script>

<template>
  <form class="academy stack" novalidate @submit.prevent="save">
    <h1 tabindex="-1">{{ t('place.academy') }}</h1>
    <p class="soft">
      {{ t('academy.intro') }} <template v-if="here?.isDemo">{{ t('academy.demo') }}</template>
    </p>
    <FormField v-model="values.name" :label="t('setUp.academy')" :issue="issues['name']" />
    <FormField v-model="values.town" :label="t('setUp.town')" :issue="issues['town']" />
    <TimeZoneField v-model="values.timeZone" :issue="issues['timeZone']" />
    <ChoiceRow v-model="values.clockHabit" :label="t('academy.clock')" :options="habits" />
    <FormFailure :says="failure" />
    <p v-if="conflict" role="alert">
      {{ t('academy.conflict', { name: conflict.name, town: conflict.town, timeZone: conflict.timeZone }) }}
    </p>
    <p v-else-if="isSaved" role="status">{{ t('academy.saved') }}</p>
    <div>
      <PressButton kind="primary" type="submit" :is-busy="isBusy">{{ t('academy.save') }}</PressButton>
    </div>
  </form>
</template>

<style scoped>
.academy {
  max-width: 560px;
}
</style>
