<script setup lang="ts">
import { useI18n } from 'vue-i18n'
import { useFormat } from '../../kit/units/useFormat.ts'

/** What the coffee ground so far costs, in whatever money its bag is priced in; nothing where nobody said. */
defineProps<{ money: number | null }>()
const { t } = useI18n()
const format = useFormat()
</script>

<template>
  <span v-if="money !== null">{{
    t('lock.money', { money: format.plain(Math.round(money * 100) / 100) })
  }}</span>
</template>
