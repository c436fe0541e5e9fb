<script setup lang="ts">
import { UIcon } from '#components'
import { computed } from 'vue'
import { useSettings } from '~/ui/settings'
import type { FitResult } from '#core'
import { RULE_NAMES, ruleFigure, ruleText } from '#words/fitWords'

/** Every rule with its number, limit and room, the worst first. */
const props = defineProps<{ fit: FitResult }>()
const ORDER = { fail: 0, near: 1, pass: 2 } as const
const ICONS = { fail: 'i-lucide-x', near: 'i-lucide-triangle-alert', pass: 'i-lucide-check' } as const
const sorted = computed(() => [...props.fit.rules].sort((a, b) => ORDER[a.verdict] - ORDER[b.verdict]))
const settings = useSettings()
</script>

<template>
  <section class="rules" aria-label="Fit rules">
    <h2 class="label">fit: every rule <span class="basis">◇ computed</span></h2>
    <ul>
      <li v-for="rule in sorted" :key="rule.id" :class="rule.verdict">
        <UIcon :name="ICONS[rule.verdict]" class="icon" />
        <span class="name">{{ RULE_NAMES[rule.id] }}</span>
        <b class="figure">{{ ruleFigure(rule.value, rule, settings.system) }}</b>
        <span class="label limit"
          >{{ rule.wants === 'atLeast' ? 'at least' : 'at most' }}
          {{ ruleFigure(rule.limit, rule, settings.system) }}</span
        >
        <p>{{ ruleText(rule, settings.system) }}</p>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.rules {
  padding: 6px 12px 14px;
}
h2 {
  display: flex;
  justify-content: space-between;
}
li {
  display: grid;
  grid-template-columns: 20px minmax(0, 1fr) auto;
  column-gap: 6px;
  align-items: baseline;
  padding: 5px 0;
  border-top: 1px solid var(--hair);
}
.icon {
  align-self: center;
}
.name {
  font-weight: 600;
  font-size: 15px;
  color: var(--ink);
}
b {
  font-size: 18px;
}
.limit {
  grid-column: 3;
  text-align: right;
  grid-row: 2;
}
p {
  grid-column: 2;
  grid-row: 2;
  font-size: 13.5px;
  line-height: 1.25;
  color: var(--ink);
}
.pass .icon,
.pass b {
  color: var(--marram);
}
.near .icon,
.near b {
  color: var(--shell);
}
.fail .icon,
.fail b {
  color: var(--wrack);
}
</style>
