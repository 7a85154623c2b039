<script setup lang="ts">
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import { RouterLink } from 'vue-router'
import EmptyPlace from '../../kit/parts/EmptyPlace.vue'
import { useAcademy } from '../../data/academy/academy.ts'
import ErasePanel from './ErasePanel.vue'
import PersonEnd from './PersonEnd.vue'
import PersonExportButton from './PersonExportButton.vue'
import PersonLink from './PersonLink.vue'
import PersonRole from './PersonRole.vue'
import { usePeople } from './usePeople.ts'

/** One person, with what a head does for them. */
const props = defineProps<{ personId: string }>()
const { t } = useI18n()
const academy = useAcademy()
const { people, state, load, replace, change } = usePeople()
const person = computed(() => people.value.find(({ personId }) => personId === props.personId) ?? null)

async function reload(): Promise<void> {
  await Promise.all([load(), academy.load()])
}
</script>

<template>
  <div v-if="person && person.erasedAt === null" class="person">
    <header>
      <RouterLink :to="{ name: 'people' }" class="back">{{ t('people.backToAll') }}</RouterLink>
      <h1 tabindex="-1">{{ person.displayName }}</h1>
      <p class="soft">
        {{ t(`role.${person.role}`) }}, {{ t(`people.state.${person.state}`)
        }}<template v-if="person.signInName"
          >. {{ t('you.signInName', { name: person.signInName }) }}</template
        >
      </p>
    </header>
    <PersonRole :person="person" :change="change" @changed="academy.load()" />
    <PersonLink v-if="person.state !== 'ended'" :person="person" @made="load" />
    <PersonEnd :person="person" :change="change" @changed="academy.load()" />
    <section aria-labelledby="kept">
      <h2 id="kept">{{ t('people.exportTitle', { person: person.displayName }) }}</h2>
      <PersonExportButton :person-id="personId" :label="t('people.export')" />
    </section>
    <ErasePanel :person="person" @erased="(erased) => (replace(erased), void reload())" />
  </div>
  <EmptyPlace v-else-if="state === 'unreachable'" :says="t('people.offline')" />
  <EmptyPlace v-else-if="state === 'looking'" :says="t('app.loading')" />
  <template v-else>
    <h1 class="visually-hidden" tabindex="-1">{{ t('people.title') }}</h1>
    <EmptyPlace
      :says="person ? t('people.erasedNow') : t('people.notThere')"
      :action="t('people.backToAll')"
      :to="{ name: 'people' }"
    />
  </template>
</template>

<style scoped>
.person {
  display: grid;
  gap: 32px;
  max-width: 760px;
}
.back {
  min-height: 44px;
  display: inline-flex;
  align-items: center;
}
</style>
