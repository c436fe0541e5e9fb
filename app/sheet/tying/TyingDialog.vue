<script setup lang="ts">
import { UButton, UModal } from '#components'
import { computed, ref, watch } from 'vue'
import {
  assemblyOf,
  KNOT_IDS,
  KNOTS,
  type KnotId,
  type LeaderAhead,
  type LineKind,
  type RigSpec,
} from '#core'
import { EVERY_KNOT, KNOT_WORDS, knotText, partText } from '#words/tyingWords'
import { useSettings } from '~/ui/settings'
import KnotPicture from './KnotPicture.vue'
import KnotStrength from './KnotStrength.vue'

/** How a rig is put on the line, and every knot step by step. */
const open = defineModel<boolean>('open', { required: true })
const props = defineProps<{
  /** the rig that asks, where one does */ rig?: RigSpec | undefined
  leader?: LeaderAhead | undefined
  line: LineKind
  ratedN: number
}>()
const settings = useSettings()
const assembly = computed(() => props.rig && assemblyOf(props.rig, props.leader))
const asked = computed(() => assembly.value?.knots ?? [])
const others = computed(() => KNOT_IDS.filter(id => !asked.value.includes(id)))
const shown = ref<KnotId>('doubled')
watch(
  () => asked.value[0],
  first => void (shown.value = first ?? 'doubled'),
  { immediate: true },
)
const knot = computed(() => KNOTS[shown.value])
const words = computed(() => KNOT_WORDS[shown.value])
const told = (step: string): string => knotText(words.value.steps[step]!, settings.system)
</script>

<template>
  <UModal v-model:open="open" title="Tying" :ui="{ content: 'max-w-4xl' }">
    <template #body>
      <section v-if="assembly" aria-label="On the line">
        <h3 class="label">from the rod to the bait</h3>
        <ol class="parts">
          <li v-for="(part, i) in assembly.parts" :key="i">{{ partText(part, settings.system) }}</li>
        </ol>
      </section>
      <nav class="knots" aria-label="Knots">
        <span v-if="asked.length > 0" class="label">asked for here</span>
        <UButton
          v-for="id in asked"
          :key="id"
          :variant="id === shown ? 'solid' : 'outline'"
          :aria-pressed="id === shown"
          @click="shown = id"
          >{{ KNOT_WORDS[id].name }}</UButton
        >
        <span class="label">{{ asked.length > 0 ? 'others' : 'knots' }}</span>
        <UButton
          v-for="id in others"
          :key="id"
          :variant="id === shown ? 'solid' : 'ghost'"
          :aria-pressed="id === shown"
          @click="shown = id"
          >{{ KNOT_WORDS[id].name }}</UButton
        >
      </nav>
      <section :aria-label="words.name">
        <h3>{{ words.name }}</h3>
        <p class="for">For {{ words.for }}.</p>
        <ol class="steps">
          <li v-for="(step, i) in knot.steps" :key="step.id">
            <KnotPicture :step="step" :label="`Step ${i + 1}: ${told(step.id)}`" />
            <b class="figure">{{ i + 1 }}</b> {{ told(step.id) }}
          </li>
        </ol>
        <p class="wrong"><span class="label">what goes wrong</span> {{ words.wrong }}</p>
        <KnotStrength :knot="shown" :line="line" :rated-n="ratedN" />
        <p class="label">{{ EVERY_KNOT }}</p>
      </section>
    </template>
  </UModal>
</template>

<style scoped>
.parts {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 0;
  margin: 2px 0 10px;
  font-size: 15px;
}
.parts li:not(:last-child)::after {
  content: '→';
  margin: 0 8px;
  color: var(--ink-soft);
}
.knots {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 6px;
  align-items: center;
  padding: 6px 0;
  border-block: 1px solid var(--hair);
}
h3:not(.label) {
  margin-top: 8px;
  font-size: 18px;
  font-weight: 600;
}
.for {
  color: var(--ink-soft);
}
.steps {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(196px, 1fr));
  gap: 10px 14px;
  margin: 8px 0;
}
.steps li {
  font-size: 14px;
  line-height: 1.35;
}
.steps b {
  font-size: 16px;
}
.wrong {
  margin: 6px 0;
}
</style>
