<script setup lang="ts">
import { UButton } from '#components'
import { computed } from 'vue'
import { FAMILIES, WIRE_GRADES, type Instead } from '#core'
import type { Lane } from '#schemas/spread'
import { ruleText, sizeText } from '#words/fitWords'
import { shown } from '#words/units'
import { useSettings } from '~/ui/settings'
import { withFamily } from '~/sheet/lanes'
import type { BenchAdvice } from '~/compute/bench'

/**
 * The right size, found: every size of the family tried in this bait, the best named, other families where
 * none fits.
 */
const props = defineProps<{ lane: Lane; advice: BenchAdvice | undefined; busy: boolean }>()
const settings = useSettings()
const emit = defineEmits<{ take: [change: Partial<Lane>] }>()
const sizes = computed(() => props.advice?.sizes)
const best = computed(() => sizes.value?.best)
/** Longest push among the sizes, m; there is none where the point stays open. */
const mostPush = computed(() => Math.max(0, ...(sizes.value?.sizes ?? []).map(s => s.pushM)))
const pushes = computed(() => mostPush.value > 0)
const takeOther = ({ family, size, wire }: Instead): void =>
  emit('take', {
    ...withFamily(props.lane, family),
    hookSize: size,
    wire,
    keeper: undefined,
    exitAtM: undefined,
    hookAtM: undefined,
  })
</script>

<template>
  <section class="sizes" :aria-busy="busy" aria-label="Sizes">
    <div class="head">
      <h2 class="label">hook size</h2>
      <UButton
        icon="i-lucide-ruler"
        variant="ghost"
        class="find"
        :disabled="busy || !best || best.size === lane.hookSize"
        @click="best && emit('take', { hookSize: best.size })"
        >{{
          best && best.size === lane.hookSize
            ? 'This is my size'
            : best
              ? `Find my size: ${best.size}`
              : 'Find my size'
        }}</UButton
      >
    </div>
    <div class="ladder" role="group" aria-label="Sizes of this family">
      <UButton
        v-for="one in sizes?.sizes ?? []"
        :key="one.size"
        variant="ghost"
        class="rung figure"
        :class="one.verdict"
        :aria-pressed="one.size === lane.hookSize"
        :title="`${one.size}: ${ruleText(one.worst, settings.system)}`"
        @click="emit('take', { hookSize: one.size })"
      >
        <span class="size">{{ one.size }}</span>
        <span v-if="pushes" class="push"
          ><span class="bar" :style="{ width: `${(80 * one.pushM) / mostPush}%` }" aria-hidden="true" />{{
            shown(one.pushM, settings.units.small)
          }}</span
        >
      </UButton>
    </div>
    <p v-if="pushes" class="label">
      ◇ Under each size: the push, {{ settings.units.small.label }} of plastic toward the nose so that it lies
      flat over the bend.
    </p>
    <p v-if="sizes" class="sentence">{{ sizeText(sizes, lane.family, settings.system) }}</p>
    <p v-if="sizes && sizes.instead.length > 0" class="instead">
      <UButton v-for="one in sizes.instead" :key="one.family" @click="takeOther(one)">
        {{ FAMILIES[one.family].shortName }} {{ one.size
        }}{{ one.wire === 'standard' ? '' : `, ${WIRE_GRADES[one.wire].name}` }}
      </UButton>
    </p>
  </section>
</template>

<style scoped>
.sizes {
  padding: 8px 12px;
  border-bottom: var(--line-weight) solid var(--hair-strong);
}
.sizes[aria-busy='true'] .sentence {
  opacity: 0.5;
}
.head {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
.find {
  height: 32px;
  padding: 0 12px;
  display: inline-flex;
  gap: 6px;
  align-items: center;
  background: var(--float);
  color: var(--float-ink);
  border-radius: 2px;
  font-weight: 600;
  font-size: 15px;
}
.find:disabled {
  background: transparent;
  color: var(--marram);
  border: var(--line-weight) solid var(--marram);
}
.ladder {
  display: flex;
  flex-wrap: wrap;
  gap: 3px;
  margin: 7px 0 5px;
  min-height: 30px;
}
.rung {
  min-width: 40px;
  min-height: 30px;
  padding: 2px 4px;
  display: inline-flex;
  flex-direction: column;
  align-items: center;
  gap: 0;
  font-size: 15px;
  line-height: 1.2;
  font-weight: 600;
  border-radius: 2px;
  border: var(--line-weight) solid currentColor;
  border-bottom-width: 4px;
}
.push {
  width: 100%;
  display: flex;
  flex-direction: column;
  align-items: center;
  font-size: 12px;
  font-weight: 400;
}
.bar {
  height: 2px;
  margin: 1px 0;
  background: currentColor;
}
.pass {
  color: var(--marram);
}
.near {
  color: var(--shell);
}
.fail {
  color: var(--wrack);
  border-style: dashed;
  border-bottom-style: solid;
}
.rung[aria-pressed='true'] {
  background: var(--ink);
  color: var(--paper);
  border-color: var(--ink);
}
.sentence {
  font-size: 14px;
  line-height: 1.3;
}
.instead {
  display: flex;
  flex-wrap: wrap;
  gap: 5px;
  margin-top: 6px;
}
@media (max-width: 639px) {
  .rung {
    min-width: 46px;
    min-height: 44px;
  }
  .find {
    min-height: 44px;
  }
}
</style>
