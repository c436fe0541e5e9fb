<script setup lang="ts">
import { UIcon } from '#components'
import { computed } from 'vue'
import type { FitResult } from '#core'
import { useSettings } from '~/ui/settings'
import FoldOut from '~/ui/FoldOut.vue'
import { ruleText } from '#words/fitWords'

/** Fit in words: what fails or is near first; the rules that pass on request. */
const settings = useSettings()
const props = defineProps<{ fit: FitResult }>()
const ORDER = { fail: 0, near: 1, pass: 2 } as const
const ICONS = { fail: 'i-lucide-x', near: 'i-lucide-triangle-alert', pass: 'i-lucide-check' } as const
const sorted = computed(() => [...props.fit.rules].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]))
const noted = computed(() => sorted.value.filter(rule => rule.verdict !== 'pass'))
const passed = computed(() => sorted.value.filter(rule => rule.verdict === 'pass'))
const headline = computed(() => {
  const count = (verdict: 'fail' | 'near' | 'pass'): number =>
    props.fit.rules.filter(rule => rule.verdict === verdict).length
  return (['fail', 'near', 'pass'] as const)
    .filter(v => count(v) > 0)
    .map(
      v =>
        `${count(v)} ${v === 'fail' ? (count(v) === 1 ? 'fails' : 'fail') : v === 'near' ? 'near' : count(v) === 1 ? 'passes' : 'pass'}`,
    )
    .join(', ')
})
</script>

<template>
  <div class="fit">
    <span class="label name">fit</span>
    <div class="words">
      <FoldOut>
        <template #head
          ><span class="head figure" :class="fit.verdict"
            ><UIcon :name="ICONS[fit.verdict]" /> {{ headline }}</span
          ></template
        >
        <p v-for="rule in passed" :key="rule.id" class="pass">
          <UIcon :name="ICONS.pass" /> <span>{{ ruleText(rule, settings.system) }}</span>
        </p>
      </FoldOut>
      <p v-for="rule in noted" :key="rule.id" :class="rule.verdict">
        <UIcon :name="ICONS[rule.verdict]" /> <span>{{ ruleText(rule, settings.system) }}</span>
      </p>
    </div>
  </div>
</template>

<style scoped>
.fit {
  display: grid;
  grid-template-columns: 52px minmax(0, 1fr);
  column-gap: 6px;
  padding: 4px 10px 2px;
  border-top: var(--line-weight) solid var(--hair);
  align-items: start;
}
.name {
  padding-top: 2px;
}
.head {
  font-size: 15px;
  font-weight: 600;
  display: inline-flex;
  align-items: center;
  gap: 5px;
}
.more {
  color: var(--ink-soft);
}
p {
  display: flex;
  gap: 5px;
  font-size: 13px;
  line-height: 1.25;
  margin-top: 3px;
}
p :first-child {
  flex: none;
  margin-top: 2px;
}
</style>
