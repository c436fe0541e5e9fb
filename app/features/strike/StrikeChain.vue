<script setup lang="ts">
import { computed } from 'vue'
import type { BiteChain, LossId, StrikeRig } from '#core'
import { loadText, smallText } from '#words/units'
import type { StrikeAnswer } from '~/compute/strike'
import { useSettings } from '~/ui/settings'

/** A bite link by link: what each has against what it needs; the first that fails loses the fish. */
const props = defineProps<{ bite: Extract<StrikeAnswer, { kind: 'bite' }> }>()
const settings = useSettings()
const load = (n: number): string => loadText(n, settings.system)
const small = (m: number): string => smallText(m, settings.system)

type Step = {
  readonly id: LossId
  readonly name: string
  readonly has: number
  readonly needs: number
  readonly text: string
  readonly most: number
}
/**
 * How the point comes clear: by the squeeze alone, or through what plastic that leaves, which the jaws must
 * hold meanwhile.
 */
function pointStep(chain: BiteChain, { coverM, guardN }: StrikeRig): Step {
  const squeezed = `the squeeze uncovers ${small(chain.uncoveredM)} of plastic, ${small(chain.coverM)} lie over the point`
  if (chain.throughN > 0) {
    const text = `${squeezed}; going through the rest takes ${load(chain.throughN)}, the jaws hold the bait with ${load(chain.heldN)}`
    return {
      id: 'notReached',
      name: 'point through the plastic',
      has: chain.heldN,
      needs: chain.throughN,
      most: 1.4 * Math.max(chain.heldN, chain.throughN),
      text,
    }
  }
  const text =
    coverM > 0
      ? squeezed
      : guardN > 0
        ? `the guard takes ${load(guardN)} to press down`
        : 'the point stands open'
  return {
    id: 'notReached',
    name: 'point uncovered',
    has: chain.uncoveredM,
    needs: chain.coverM,
    most: Math.max(0.002, 1.4 * chain.uncoveredM, 1.4 * chain.coverM),
    text,
  }
}
/** The chain of this bite: what each step has against what it needs. */
const steps = computed<Step[]>(() => {
  const { chain, rig } = props.bite
  return [
    pointStep(chain, rig),
    {
      id: 'noBite',
      name: 'gap left for a jaw',
      has: Math.max(0, chain.gapM),
      needs: chain.needM,
      most: Math.max(0.008, 1.3 * chain.gapM),
      text: `${small(Math.max(0, chain.gapM))} over the squeezed bait, a jaw needs ${small(chain.needM)}`,
    },
    {
      id: 'noForce',
      name: 'force to go in',
      has: Math.max(0, chain.setN - chain.plasticN),
      needs: chain.neededN,
      most: Math.max(10, 1.3 * chain.setN),
      text: `${load(chain.setN)} reach the hook, the plastic takes ${load(chain.plasticN)}, going in takes ${load(chain.neededN)}`,
    },
    {
      id: 'opens',
      name: 'hook stays shut',
      has: chain.opensN,
      needs: chain.setN,
      most: Math.max(10, 1.2 * chain.opensN),
      text: `the bend opens at ${load(chain.opensN)}, the set pulls ${load(chain.setN)}`,
    },
  ]
})
</script>

<template>
  <ol>
    <li v-for="s in steps" :key="s.id" :class="{ fails: bite.chain.loss === s.id }">
      <b>{{ s.name }}</b>
      <svg viewBox="0 0 300 16" preserveAspectRatio="none" aria-hidden="true">
        <rect x="0" y="3" height="10" :width="300 * Math.min(1, s.has / s.most)" class="has" />
        <line
          :x1="300 * Math.min(1, s.needs / s.most)"
          :x2="300 * Math.min(1, s.needs / s.most)"
          y1="0"
          y2="16"
          class="needs"
        />
      </svg>
      <span class="text">{{ s.text }}</span>
    </li>
  </ol>
</template>

<style scoped>
ol {
  display: grid;
  gap: 8px;
  margin-top: 4px;
}
b {
  font-size: 16px;
}
svg {
  display: block;
  width: 100%;
  height: 18px;
}
.has {
  fill: var(--marram);
}
.needs {
  stroke: var(--ink);
  stroke-width: 3;
  vector-effect: non-scaling-stroke;
}
.fails b {
  color: var(--wrack);
}
.fails .has {
  fill: var(--wrack);
}
.text {
  font-size: 14px;
}
</style>
