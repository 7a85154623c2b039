<script setup lang="ts">
import PressButton from '../../kit/parts/PressButton.vue'
import { computed, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useRouter } from 'vue-router'
import { useDoor } from '../../data/door/door.ts'
import DemoPeople from './DemoPeople.vue'
import DevicePeople from './DevicePeople.vue'
import OfflineSwitch from './OfflineSwitch.vue'
import PasswordForm from './PasswordForm.vue'
import SignOut from './SignOut.vue'

/** Who is at the tablet: the next person comes in by PIN, by password, or (in the demo) by a tap. */
const { t } = useI18n()
const door = useDoor()
const router = useRouter()
const wantsPassword = ref(false)
// Kept by the router in the page's own history.
const { back: cameFrom = null, position } = router.options.history.state
const session = computed(() => door.session)
const others = computed(() =>
  door.returning.filter(({ personId }) => personId !== session.value?.person.personId || door.claimed),
)
const demo = computed(() => (session.value?.academy.isDemo ? (door.doors?.demo ?? null) : null))

/** Back to what was being done: a trainer who takes over at the bar goes on at the bar. */
function goOn(): void {
  // Whoever has gone elsewhere meanwhile is not called back.
  if (router.options.history.state['position'] !== position) return
  if (cameFrom !== null) router.back()
  else void router.push({ name: 'today' })
}
</script>

<template>
  <div v-if="session" class="switch">
    <header>
      <h1 tabindex="-1">{{ t('door.switchTitle') }}</h1>
      <p class="soft">{{ t('door.switchHint') }}</p>
    </header>
    <section class="here" :aria-label="t('door.here')">
      <p>
        <span class="soft">{{ t('door.here') }}</span><br />
        <strong class="name">{{ door.personName }}</strong>
        <template v-if="!door.claimed">, {{ t(`role.${session.person.role}`).toLowerCase() }}</template>
      </p>
      <SignOut v-if="door.state === 'open'" />
    </section>
    <OfflineSwitch v-if="door.state === 'remembered'" @in="goOn" />
    <template v-else>
      <DevicePeople
        v-if="others.length > 0"
        :people="others"
        :title="t('door.handTo')"
        :when-in="goOn"
        @password="wantsPassword = true"
      />
      <section v-if="wantsPassword" aria-labelledby="by-password">
        <h2 id="by-password">{{ t('door.byPassword') }}</h2>
        <PasswordForm :when-in="goOn" />
      </section>
      <p v-else>
        <PressButton is-large @click="wantsPassword = true">
          {{ t('door.someoneElse') }}: {{ t('door.byPassword').toLowerCase() }}
        </PressButton>
      </p>
      <DemoPeople v-if="demo" :demo="demo" :when-in="goOn" />
    </template>
  </div>
</template>

<style scoped>
.switch {
  display: grid;
  gap: 24px;
  max-width: 960px;
  margin: 0 auto;
  padding: 24px;
}
.here {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  gap: 8px 24px;
  padding: 16px 0;
  border-block: 1px solid var(--mist);
}
.here p {
  margin: 0;
}
.name {
  font-size: 1.25rem;
}
</style>
