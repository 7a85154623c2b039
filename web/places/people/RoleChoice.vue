<script setup lang="ts">
import { ROLES, type Role } from '@calm-apron/contract'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import ChoiceRow from '../../kit/parts/ChoiceRow.vue'

/** A role, with what it opens. */
const role = defineModel<Role>({ required: true })
const { t } = useI18n()
const options = computed(() => ROLES.map((value) => ({ value, label: t(`role.${value}`) })))
</script>

<template>
  <div>
    <ChoiceRow v-model="role" :label="t('people.role')" :options="options" />
    <p class="soft hint">{{ t(`people.roleHint.${role}`) }}</p>
  </div>
</template>

<style scoped>
.hint {
  margin: 4px 0 0;
}
</style>
