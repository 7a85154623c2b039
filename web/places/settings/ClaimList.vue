<script setup lang="ts">
import { type Claim, ENDPOINTS } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import { useClaims } from '../../data/door/claims.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import { useAcademy } from '../../data/academy/academy.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** Records in one's own name that were sent while another was signed in: each is theirs, or it is not. */
const props = defineProps<{ timeZone: string }>()
const { t } = useI18n()
const academy = useAcademy()
const claims = useClaims()
const format = useFormat()
const { failure, isBusy, submit } = useForm()

const rows = computed(() =>
  claims.claims.map((claim) => ({
    claim,
    title: t(`claim.kind.${claim.kind}`),
    says: t('claim.sentBy', {
      person: academy.personName(claim.sentBy) || t('app.someone'),
      date: format.dateOf(claim.claimedAt, props.timeZone),
      time: format.timeOf(claim.claimedAt, props.timeZone),
    }),
    to:
      claim.kind === 'training-event'
        ? { name: 'training', params: { trainingId: claim.subjectId } }
        : { name: 'reading', params: { shotId: claim.subjectId } },
  })),
)
const decide = ({ recordId }: Claim, isMine: boolean) =>
  submit(ENDPOINTS.decideClaim.body, { isMine }, () => claims.decide(recordId, isMine))
</script>

<template>
  <section v-if="rows.length > 0" aria-labelledby="claims">
    <h2 id="claims">{{ t('claim.title') }}</h2>
    <p class="soft">{{ t('claim.intro') }}</p>
    <FormFailure :says="failure" />
    <ul>
      <li v-for="row in rows" :key="row.claim.recordId">
        <RouterLink :to="row.to">{{ row.title }}</RouterLink>
        <span class="soft">{{ row.says }}</span>
        <span class="answers">
          <PressButton kind="primary" :disabled="isBusy" @click="decide(row.claim, true)">{{
            t('claim.mine')
          }}</PressButton>
          <PressButton :disabled="isBusy" @click="decide(row.claim, false)">{{
            t('claim.notMine')
          }}</PressButton>
        </span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
section > :is(h2, p) {
  margin: 0 0 8px;
}
li {
  display: grid;
  gap: 4px;
  padding: 12px 0;
  border-top: 1px solid var(--mist);
}
a {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
.answers {
  display: flex;
  gap: 12px;
}
</style>
