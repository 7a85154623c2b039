<script setup lang="ts">
import { BOUNDS, ENDPOINTS, type InvitationShown } from '@calm-apron/contract'
import PressButton from '../../kit/parts/PressButton.vue'
import { onMounted, reactive, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRoute, useRouter } from 'vue-router'
import { call } from '../../data/api/client.ts'
import { RefusedByServer, ServerUnreachable } from '../../kit/failures.ts'
import FormFailure from '../../kit/forms/FormFailure.vue'
import FormField from '../../kit/forms/FormField.vue'
import PasswordField from '../../kit/forms/PasswordField.vue'
import { useForm } from '../../kit/forms/useForm.ts'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useDoor } from '../../data/door/door.ts'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What a one-time link opens. Its secret stands behind `#`, so that no server or proxy ever logs it. */
const { t } = useI18n()
const route = useRoute()
const router = useRouter()
const door = useDoor()
const format = useFormat()
const { issues, failure, isBusy, submit } = useForm()
const token = route.hash.slice(1)
const link = ref<InvitationShown | null>(null)
const hindrance = ref('')
const values = reactive({ signInName: '', password: '' })
const ownZone = new Intl.DateTimeFormat().resolvedOptions().timeZone

onMounted(async () => {
  const body = ENDPOINTS.lookAtInvitation.body.safeParse({ token })
  if (!body.success) hindrance.value = t('join.broken')
  else await look(body.data)
})

async function look(body: { token: string }): Promise<void> {
  try {
    link.value = await call(ENDPOINTS.lookAtInvitation, { body })
  } catch (error) {
    if (error instanceof RefusedByServer) hindrance.value = t(`problem.${error.problem.code}`)
    else if (error instanceof ServerUnreachable) hindrance.value = t('form.unreachable')
    else throw error
  }
}

async function use(): Promise<void> {
  const signInName = link.value?.kind === 'join' ? values.signInName : null
  const given = { token, signInName, password: values.password }
  const isIn = await submit(ENDPOINTS.useInvitation.body, given, async (body) =>
    door.comeIn(await call(ENDPOINTS.useInvitation, { body })),
  )
  if (isIn) await router.replace({ name: 'today' })
}
</script>

<template>
  <form v-if="link" class="join" novalidate @submit.prevent="use">
    <h1 tabindex="-1">{{ t(link.kind === 'join' ? 'join.title' : 'join.resetTitle') }}</h1>
    <p>
      {{
        t(link.kind === 'join' ? 'join.joins' : 'join.resets', {
          person: link.displayName,
          academy: link.academyName,
        })
      }}
    </p>
    <FormField
      v-if="link.kind === 'join'"
      v-model="values.signInName"
      :label="t('door.signInName')"
      :hint="t('door.signInNameHint')"
      autocomplete="username"
      inputmode="email"
      :issue="issues['signInName']"
    />
    <p v-else-if="link.signInName">{{ t('you.signInName', { name: link.signInName }) }}</p>
    <PasswordField
      v-model="values.password"
      :label="t('door.newPassword')"
      :hint="t('door.passwordHint', { min: BOUNDS.passwordLength.min })"
      autocomplete="new-password"
      :issue="issues['password']"
    />
    <FormFailure :says="failure" />
    <PressButton kind="primary" is-large type="submit" :is-busy="isBusy">{{
      t(link.kind === 'join' ? 'join.join' : 'join.reset')
    }}</PressButton>
    <p class="soft">
      {{
        t('join.until', {
          date: format.dateOf(link.expiresAt, ownZone),
          time: format.timeOf(link.expiresAt, ownZone),
        })
      }}
    </p>
  </form>
  <template v-else>
    <h1 class="visually-hidden" tabindex="-1">{{ t('join.title') }}</h1>
    <EmptyPlace v-if="hindrance" :says="hindrance" :action="t('setUp.toSignIn')" :to="{ name: 'today' }" />
    <EmptyPlace v-else :says="t('join.looking')" />
  </template>
</template>

<style scoped>
.join {
  display: grid;
  gap: 12px;
  justify-items: start;
  max-width: 560px;
  margin: 0 auto;
  padding: 24px;
}
.join > :not(button) {
  width: 100%;
}
</style>
