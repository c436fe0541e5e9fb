<script setup lang="ts">
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { rotate, SLOW_RETRIEVE, type Pose, type Poses, type RigSolid } from '#core'
import type { Letter } from '#schemas/ranges'
import { bentParts } from '~/ui/drawing/bend'
import { turnsOf } from '~/ui/drawing/dropPath'
import { px, py, shapePath, type Plane } from '~/ui/drawing/plane'
import { sideView, type SideView } from '~/ui/drawing/projection'
import { useSettings } from '~/ui/settings'
import { smallText } from '#words/units'
import { BASIS_MARKS, foldText, quiverText, restWords, slopeText } from '#words/words'

/** The same rig as it lies in the water: falling, drawn along and on the bottom, at one scale, bent where it bends. */
const props = defineProps<{
  poses: Poses
  solid: RigSolid
  letter: Letter
  busy: boolean
}>()
const settings = useSettings()
const host = useTemplateRef('host')
const { width: room } = useElementSize(host)

/** Between pictures, px; and how high one is at most, beside others and under them. */
const GAP = 14
const HIGH = 150
const HIGH_ALONE = 104
/** With less room than this they stand under one another, px. */
const NARROW = 560
/** Around a rig, px: line and bottom are drawn there. */
const PAD = 16

interface Picture {
  readonly id: 'falls' | 'rides' | 'lies'
  readonly title: string
  readonly slope: string
  readonly says: readonly string[]
  readonly view: SideView
  readonly knot: readonly [number, number]
  readonly box: readonly [number, number, number, number]
}

function seen(pose: Pose): Pick<Picture, 'view' | 'knot' | 'box' | 'slope'> {
  const { solid } = props
  const { links } = props.poses
  const view = sideView(solid, pose.attitude, pose.bent && bentParts(links, turnsOf(pose.bent)))
  const [x, , z] = rotate(pose.attitude, solid.tie)
  const points = [...view.body.flat(), ...view.lumps.flatMap(l => l.points), ...view.wire]
  // a weight that hangs on its own hangs at the knot
  const hung = solid.second ? solid.second.diameterM : 0
  const [xs, zs] = [points.filter((_, i) => i % 2 === 0), points.filter((_, i) => i % 2 === 1)]
  return {
    view,
    knot: [x, z],
    box: [
      Math.min(...xs, x - hung / 2),
      Math.min(...zs, z - hung),
      Math.max(...xs, x + hung / 2),
      Math.max(...zs),
    ],
    slope: slopeText(pose.pitchRad),
  }
}

const pictures = computed<readonly Picture[]>(() => {
  const { falls, rides, lies } = props.poses
  const told = (...words: readonly string[]): string[] => words.filter(word => word !== '')
  return [
    ...(falls
      ? [
          {
            id: 'falls' as const,
            title: 'falling',
            ...seen(falls),
            says: told(
              foldText(falls.foldRad),
              falls.quiver ? quiverText(falls.quiver, settings.system) : '',
            ),
          },
        ]
      : []),
    {
      id: 'rides' as const,
      title: 'drawn along slowly',
      ...seen(rides),
      says: told(rides.rolls ? 'rolls over and over' : '', foldText(rides.foldRad)),
    },
    ...(lies
      ? [
          {
            id: 'lies' as const,
            title: 'on the bottom',
            ...seen(lies),
            says: told(
              restWords(lies.rest, settings.system),
              `highest part ${smallText(lies.rest.highestM, settings.system)} up`,
              foldText(lies.foldRad),
            ),
          },
        ]
      : []),
  ]
})
const narrow = computed(() => room.value < NARROW)
const cell = computed(() => {
  const columns = narrow.value ? 1 : pictures.value.length
  return (room.value - GAP * (columns - 1)) / columns
})
const perM = computed(() =>
  Math.min(
    ...pictures.value.map(({ box: [left, low, right, high] }) =>
      Math.min(
        (cell.value - 2 * PAD) / (right - left),
        ((narrow.value ? HIGH_ALONE : HIGH) - 2 * PAD) / (high - low),
      ),
    ),
  ),
)
/** All are as high as the tallest needs. */
const height = computed(
  () => 2 * PAD + perM.value * Math.max(...pictures.value.map(({ box: [, low, , high] }) => high - low)),
)

const drawn = computed(() =>
  pictures.value.map(({ id, title, slope, says, view, knot, box: [left, low, right, high] }) => {
    const k = perM.value
    const middle = id === 'lies' ? (height.value - PAD) / k + low : height.value / 2 / k + (low + high) / 2
    // a side view's X runs away from the rod, which stands at the left
    const plane: Plane = { perM: k, x0: cell.value / 2 + ((left + right) / 2) * k, y0: middle * k }
    const path = (points: readonly number[], closed: boolean): string =>
      shapePath({ points: Float64Array.from(points, (v, i) => (i % 2 === 0 ? -v : v)), closed }, plane)
    const [tieX, tieY] = [px(plane, -knot[0]), py(plane, knot[1])]
    const radius = ((props.solid.second?.diameterM ?? 0) / 2) * k
    const lineY = id === 'rides' ? tieY - tieX * Math.tan(SLOW_RETRIEVE.elevationRad) : 0
    return {
      id,
      title,
      slope,
      says,
      body: view.body.map(points => path(points, true)),
      lumps: view.lumps.map(l => ({ soft: SOFT.has(l.kind), d: path(l.points, true) })),
      wire: path(view.wire, false),
      tie: { x: tieX, y: tieY },
      line: id === 'rides' ? { x: 0, y: lineY } : id === 'falls' ? { x: tieX, y: 0 } : undefined,
      ball: radius > 0 ? { cx: tieX, cy: tieY + radius, r: radius } : undefined,
    }
  }),
)
const SOFT: ReadonlySet<string> = new Set(['paddle', 'fork', 'fin', 'curl', 'skirt', 'claw', 'leg'])
</script>

<template>
  <section class="water" :class="[`lane-${letter}`, { busy }]" aria-label="In the water" :aria-busy="busy">
    <div class="head">
      <h2>In the water</h2>
      <span class="label"
        >{{ BASIS_MARKS.computed }} computed for the water and the line of the sheet,
        {{ (perM / (settings.pxPerMm * 1000)).toFixed(1) }} times true size</span
      >
    </div>
    <p v-if="!poses.falls" class="floats">
      It does not come down: it has no fall, and no rest on the bottom.
    </p>
    <div ref="host" class="pictures">
      <figure v-for="p in drawn" :key="p.id" :style="{ width: `${cell}px` }">
        <svg
          v-if="room > 0"
          :width="cell"
          :height="height"
          role="img"
          :aria-label="`${p.title}: ${[p.slope, ...p.says].join(', ')}`"
        >
          <line v-if="p.id === 'lies'" x1="0" :x2="cell" :y1="height - PAD" :y2="height - PAD" class="bed" />
          <path v-for="(d, i) in p.body" :key="`b${i}`" :d="d" class="edge" />
          <path v-for="(d, i) in p.body" :key="`f${i}`" :d="d" class="fill" />
          <path v-for="(l, i) in p.lumps" :key="`l${i}`" :d="l.d" :class="l.soft ? 'soft' : 'lead'" />
          <path :d="p.wire" class="wire" />
          <line v-if="p.line" :x1="p.tie.x" :y1="p.tie.y" :x2="p.line.x" :y2="p.line.y" class="line" />
          <circle v-if="p.ball" v-bind="p.ball" class="lead" />
        </svg>
        <figcaption>
          <span class="label">{{ p.title }}</span>
          <b class="figure">{{ p.slope }}</b>
          <span v-for="word in p.says" :key="word" class="says">{{ word }}</span>
        </figcaption>
      </figure>
    </div>
  </section>
</template>

<style scoped>
.water {
  padding: 8px 12px 6px;
  border-top: var(--line-weight) solid var(--ink);
}
.busy .pictures {
  opacity: 0.6;
}
.head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 2px 12px;
}
h2 {
  font-size: 18px;
  font-weight: 600;
}
.floats {
  font-size: 15px;
}
.pictures {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
}
figure {
  margin: 0;
  min-width: 0;
}
svg {
  display: block;
  background: var(--water-top);
}
figcaption {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 0 8px;
  padding-top: 2px;
}
.figure {
  font: 600 17px var(--font-figure);
}
.says {
  font-size: 14px;
  color: var(--ink-soft);
}
.edge {
  fill: none;
  stroke: var(--lane);
  stroke-width: 2.4;
  stroke-linejoin: round;
}
.fill,
.soft {
  fill: var(--plastic);
}
.soft {
  stroke: var(--lane);
}
.lead {
  fill: var(--lead);
  stroke: var(--ink);
}
.wire {
  fill: none;
  stroke: var(--steel);
  stroke-width: 1.8;
  stroke-linecap: round;
}
.line {
  stroke: var(--ink);
  stroke-width: 0.9;
  opacity: 0.6;
}
.bed {
  stroke: var(--ink);
  stroke-width: 1.5;
}
</style>
