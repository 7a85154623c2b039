<script setup lang="ts">
import { preparedInput } from '@calm-apron/contract'
import PressButton from '../../../kit/parts/PressButton.vue'
import { onMounted, ref } from 'vue'
import { useI18n } from 'vue-i18n'
import { useDoor } from '../../../data/door/door.ts'
import ListHead from '../../../kit/parts/ListHead.vue'
import ThingForm from '../ThingForm.vue'
import ThingCard from '../ThingCard.vue'
import { makeThing } from '../useThing.ts'
import { type Caution, useCautions } from '../../../shot/cautions/useCautions.ts'

/** Every caution in one place. The shipped ones can be said in the academy's words, and not taken away. */
const { t } = useI18n()
const door = useDoor()
const cautions = useCautions()
const rewording = ref<string | null>(null)
const isAdding = ref(false)

onMounted(cautions.load)

const startOf = ({ key, act, text }: Caution) => ({ name: t(`caution.name.${key ?? 'own'}`), key, act, text })

async function store(content: Record<string, unknown>): Promise<void> {
  await makeThing(preparedInput.parse({ kind: 'caution', parentId: null, content }))
  rewording.value = null
  isAdding.value = false
  await cautions.load()
}
</script>

<template>
  <div class="stack">
    <ListHead :title="t('prepare.cautions')" :intro="t('caution.intro')">
      <PressButton v-if="door.may('prepare') && !isAdding" kind="primary" @click="isAdding = true">{{
        t('caution.add')
      }}</PressButton>
    </ListHead>
    <ThingForm
      v-if="isAdding"
      kind="caution"
      :start="{ name: '', key: null, act: 'any', text: '' }"
      :store="store"
      :save-label="t('caution.add')"
      :omitted="['key']"
      @close="isAdding = false"
    />
    <section v-for="group in cautions.byAct" :key="group.act" :aria-labelledby="`act-${group.act}`">
      <h2 :id="`act-${group.act}`">{{ t(`prepared.option.act.${group.act}`) }}</h2>
      <p v-if="group.cautions.length === 0" class="soft">{{ t('caution.noneHere') }}</p>
      <div v-for="each in group.cautions" :key="each.id" class="each">
        <ThingCard
          v-if="each.own"
          :key="each.own.preparedId"
          :found="each.own"
          :level="3"
          :omitted="['key']"
          @changed="cautions.load"
          @copied="cautions.load"
        >
          <p>{{ each.text }}</p>
        </ThingCard>
        <ThingForm
          v-else-if="rewording === each.id"
          kind="caution"
          :start="startOf(each)"
          :store="store"
          :save-label="t('prepared.save')"
          :omitted="['key', 'act']"
          @close="rewording = null"
        />
        <template v-else>
          <p>{{ each.text }}</p>
          <PressButton v-if="door.may('prepare')" kind="text" @click="rewording = each.id">{{
            t('caution.reword', { name: t(`caution.name.${each.key ?? 'own'}`) })
          }}</PressButton>
        </template>
      </div>
    </section>
  </div>
</template>

<style scoped>
.each {
  padding: 8px 0;
  border-bottom: 1px solid var(--mist);
}
.each p {
  margin: 0;
  max-width: 75ch;
}
</style>
