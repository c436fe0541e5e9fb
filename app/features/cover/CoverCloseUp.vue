<script setup lang="ts">
import { computed } from 'vue'
import type { CoverLane } from '~/compute/cover'
import LaneChip from '~/ui/LaneChip.vue'
import { useSettings } from '~/ui/settings'
import { loadText, smallText } from '#words/units'
import { FATE_WORDS, SITE_WORDS } from './coverWords'

/**
 * One meeting looked at closely, rig beside rig: a slice of the bait at the point, back up, with the thing where it
 * touches. What is thinner than the point opens over the back can lodge; what is thicker slides over it.
 */
const props = defineProps<{
  lanes: readonly CoverLane[]
  /** which meeting of the cast */ at: number
  obstacles: readonly { readonly name: string }[]
}>()
const settings = useSettings()
const small = (m: number): string => smallText(m, settings.system)
const first = computed(() => props.lanes[0]?.events[props.at])
const name = computed(() => (first.value ? (props.obstacles[first.value.obstacle]?.name ?? '') : ''))
const SIDE = 112
/** One scale for all rigs, so that baits and points are seen against each other. */
const perM = computed(() => {
  const high = props.lanes
    .flatMap(l => l.openings.slice(0, 1))
    .map(o => 2 * o.halfHeightM + Math.max(0, o.openingM))
  const wide = props.lanes.flatMap(l => l.openings.slice(0, 1)).map(o => 2 * o.halfWidthM)
  const thing = first.value?.kind === 'rod' ? Math.min(0.012, 2 * first.value.sizeM) : 0
  return (SIDE - 16) / (Math.max(0.012, ...high, ...wide) + thing)
})
const looks = computed(() =>
  props.lanes.map(lane => {
    const event = lane.events[props.at]!
    const section = lane.openings[0] ?? { openingM: 0, halfWidthM: 0.006, halfHeightM: 0.006 }
    const { halfWidthM: a, halfHeightM: b, openingM } = section
    const tip = b + openingM
    const k = perM.value
    const rod =
      event.kind === 'rod' && !event.below
        ? (() => {
            const [sin, cos] = [Math.sin(event.angleRad), Math.cos(event.angleRad)]
            const over = Math.hypot(a * sin, b * cos) + event.sizeM
            // along the tangent it lies under the tip, where it would lodge; round the back it has no tip over it
            const along = cos > 0 ? -tip * sin : 0
            return {
              x: (over * sin + along * cos) * k,
              y: -(over * cos - along * sin) * k,
              r: event.sizeM * k,
            }
          })()
        : undefined
    return { lane, event, rod, rx: a * k, ry: b * k, tipY: -tip * k, hidden: openingM <= 0 }
  }),
)
/** Why it ended as it did: the two numbers held against each other. */
function why(look: (typeof looks.value)[number]): string {
  const { event } = look
  if (event.below) return 'it rides over: the thing does not reach up to it'
  if (event.kind === 'gap')
    return event.headM === undefined
      ? `a gap of ${small(event.sizeM)}`
      : `the head is ${small(event.headM)} across, the gap ${small(event.sizeM)}`
  const press = `pressed with ${loadText(event.pressN, settings.system)}`
  if (event.openingM === -Infinity) return 'it touches from behind, where no point stands open'
  const thing = `the thing is ${small(event.sizeM)} in radius, ${press}`
  // steps and knots, and line that saddles, hold what never came to a point
  if (event.site && event.site !== 'point' && event.site !== 'trailing') return thing
  if (event.openingM <= 0)
    return `the back stands ${small(-event.openingM)} higher than the point on this side; ${thing}`
  const guarded = event.fate === 'past' && event.openingM > event.sizeM ? ', behind its guard' : ''
  return `the point opens ${small(event.openingM)} on this side${guarded}; ${thing}`
}
const caught = (look: (typeof looks.value)[number]): boolean => look.event.fate !== 'past'
</script>

<template>
  <section v-if="first" class="close" aria-label="One meeting closely">
    <h2 class="label">
      {{ name }}, {{ Math.round(settings.units.depth.from(first.atM)) }} {{ settings.units.depth.label }} from
      the splash: a slice at the point, back up; dot: point, circle: the thing; ◇ computed
    </h2>
    <div class="looks">
      <figure v-for="look in looks" :key="look.lane.letter" :class="`lane-${look.lane.letter}`">
        <svg
          :width="SIDE"
          :height="SIDE"
          :viewBox="`${-SIDE / 2} ${-SIDE / 2 - 8} ${SIDE} ${SIDE}`"
          aria-hidden="true"
        >
          <ellipse :rx="look.rx" :ry="look.ry" class="plastic" />
          <template v-if="look.rod">
            <circle
              :cx="look.rod.x"
              :cy="look.rod.y"
              :r="Math.max(1.5, look.rod.r)"
              class="thing"
              :class="{ caught: caught(look) }"
            />
          </template>
          <line y1="0" :y2="look.tipY" class="shank" />
          <circle :cy="look.tipY" r="4" class="point" :class="{ under: look.hidden }" />
        </svg>
        <figcaption>
          <LaneChip :letter="look.lane.letter as 'A'" plain />
          <b :class="{ bad: caught(look) }"
            >{{ FATE_WORDS[look.event.fate]
            }}{{ look.event.site ? `, ${SITE_WORDS[look.event.site]}` : '' }}</b
          >
          <span>{{ why(look) }}</span>
        </figcaption>
      </figure>
    </div>
  </section>
</template>

<style scoped>
.close {
  padding: 5px 12px;
  min-width: 0;
}
.looks {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
}
figure {
  display: flex;
  flex: 1 1 200px;
  gap: 6px;
  align-items: center;
  min-width: 0;
}
svg {
  flex: none;
}
figcaption {
  display: grid;
  gap: 2px;
  font-size: 14px;
  line-height: 1.25;
  justify-items: start;
}
.plastic {
  fill: var(--plastic);
  stroke: var(--plastic-edge);
  stroke-width: 1.5;
}
.thing {
  fill: var(--growth);
  stroke: var(--ink);
  opacity: 0.85;
}
.caught {
  fill: var(--wrack);
}
.shank {
  stroke: var(--steel);
  stroke-width: 2;
}
.point {
  fill: var(--float);
}
.under {
  fill: var(--raised);
  stroke: var(--float);
  stroke-width: 2;
  stroke-dasharray: 2 2;
}
.bad {
  color: var(--wrack);
}
</style>
