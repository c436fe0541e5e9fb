<script setup lang="ts">
import { computed } from 'vue'
import { useEvidence } from '~/sheet/evidence'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import LaneChip from '~/ui/LaneChip.vue'
import TankTry from './TankTry.vue'
import { FAMILIES, pitchOf, radToDeg, rollOf } from '#core'
import type { Lane } from '#schemas/spread'
import type { LaneOutcome } from '~/compute/protocol'
import { momentAt } from '~/ui/drawing/dropPath'
import { seriesOf } from '~/ui/drawing/series'
import type { Zone } from '~/ui/drawing/diver'
import TermLabel from '~/ui/TermLabel.vue'
import { fromTo, numberText, shown, trueMinus } from '#words/units'
import { BASIS_MARKS, DOUBT_SHORT, restWords, stoppedText } from '#words/words'
import { secondsIn } from '~/ui/drawing/zone'
import { problemText } from '#words/problemWords'

/** Every rig at the moment shown in the tank, how it comes to lie, and what can be tried on it. */
const props = defineProps<{
  lanes: readonly Lane[]
  outcomes: ReadonlyMap<string, LaneOutcome>
  time: number
  zone?: Zone
}>()
const settings = useSettings()
const spread = useSpread()
const evidence = useEvidence()
/** What moved a fall: drops of this bait, or of its kind. */
function movedBy({ letter: _, ...rig }: Lane): string | undefined {
  const fall = evidence.of(spread.content, rig)?.fall
  return (
    fall &&
    `Moved by ${fall.drops} of your drops${fall.pooled ? ' of such baits' : ''}: drag ${fall.drag.toFixed(2)} of the model's.`
  )
}

const rows = computed(() =>
  props.lanes.map(lane => {
    const outcome = props.outcomes.get(lane.letter)
    if (outcome?.kind !== 'done')
      return {
        lane,
        message:
          outcome?.kind === 'failed'
            ? stoppedText(outcome, settings.units.depth)
            : outcome?.kind === 'invalid'
              ? outcome.problems
                  .slice(0, 1)
                  .map(p => problemText(p, settings.system))
                  .join('')
              : 'Working it out…',
      }
    const { fall } = outcome.report
    const m = momentAt(fall.drop, props.time, fall.rest)
    const series = seriesOf(fall.drop)
    const i = series.t.findIndex(s => s >= props.time)
    return {
      lane,
      down: `${fall.timeS.value.toFixed(1)} s`,
      mark: BASIS_MARKS[fall.timeS.basis],
      moved: fall.timeS.basis === 'measured' ? movedBy(lane) : undefined,
      range: fromTo(fall.timeS.low, fall.timeS.high, 1),
      doubt: DOUBT_SHORT[fall.mainDoubt],
      depth: shown(Math.max(0, -m.z), { ...settings.units.depth, decimals: 2 }),
      speed: m.landed
        ? '0'
        : shown(series.speed[i < 0 ? series.speed.length - 1 : i]!, { ...settings.units.speed, decimals: 2 }),
      pitch: `${numberText(radToDeg(pitchOf(m.q)), 0)}°`,
      roll: `${Math.round(Math.abs(radToDeg(rollOf(m.q))))}°`,
      away: trueMinus(shown(m.x, { ...settings.units.depth, decimals: 2 })),
      aside: trueMinus(shown(m.y, { ...settings.units.depth, decimals: 2 })),
      turns:
        Math.abs(fall.turnsPerM) > 0.05 && !('ending' in fall.drop && fall.drop.ending === 'hovers')
          ? `${(Math.abs(fall.turnsPerM) / settings.units.depth.from(1)).toFixed(1)}${fall.summary.circleM === undefined ? '' : `, r ${shown(fall.summary.circleM, { ...settings.units.depth, decimals: 2 })}`}`
          : '–',
      inZone: props.zone ? `${secondsIn(fall.drop, props.zone).toFixed(1)} s` : '',
      rest: restWords(fall.rest, settings.system),
    }
  }),
)
</script>

<template>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">Rig</th>
          <th scope="col">Down in; range, least certain</th>
          <th scope="col">Depth, {{ settings.units.depth.label }}</th>
          <th scope="col">Speed, {{ settings.units.speed.label }}</th>
          <th scope="col"><TermLabel term="pitch">Pitch</TermLabel></th>
          <th scope="col"><TermLabel term="roll">Roll</TermLabel></th>
          <th scope="col"><TermLabel term="drift">From the splash</TermLabel>, to the side</th>
          <th scope="col"><TermLabel term="turns">Turns</TermLabel> per {{ settings.units.depth.label }}</th>
          <th v-if="zone" scope="col">In the zone</th>
          <th scope="col" class="words">On the bottom</th>
          <th scope="col" class="words">Try</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.lane.letter" :class="`lane-${row.lane.letter}`">
          <th scope="row">
            <LaneChip :letter="row.lane.letter" /> {{ FAMILIES[row.lane.family].shortName }}
          </th>
          <td v-if="row.message" :colspan="zone ? 9 : 8" class="words">{{ row.message }}</td>
          <template v-else>
            <td class="down" :title="row.moved">
              <b>{{ row.down }}</b> {{ row.mark
              }}<span v-if="row.moved" class="visually-hidden">{{ row.moved }}</span>
              <small>{{ row.range }}<br />{{ row.doubt }}</small>
            </td>
            <td>{{ row.depth }}</td>
            <td>{{ row.speed }}</td>
            <td>{{ row.pitch }}</td>
            <td>{{ row.roll }}</td>
            <td>{{ row.away }}, {{ row.aside }}</td>
            <td>{{ row.turns }}</td>
            <td v-if="zone">{{ row.inZone }}</td>
            <td class="words">{{ row.rest }}</td>
          </template>
          <td><TankTry :lane="row.lane" /></td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll {
  overflow-x: auto;
  border-top: var(--line-weight) solid var(--ink);
}
table {
  width: 100%;
  border-collapse: collapse;
  font-size: 14px;
}
thead th {
  font: 400 12px var(--font-figure);
  font-stretch: 86%;
  color: var(--ink-soft);
  text-align: right;
  padding: 3px 6px 2px;
  white-space: nowrap;
  border-bottom: 1px solid var(--hair-strong);
}
thead th:first-child,
.words {
  text-align: left !important;
}
tbody th {
  text-align: left;
  font-weight: 600;
  white-space: nowrap;
  padding: 0 8px;
  position: sticky;
  left: 0;
  background: var(--paper);
}
td {
  text-align: right;
  padding: 0 6px;
  height: 36px;
  white-space: nowrap;
  font-family: var(--font-figure);
  font-stretch: 88%;
  font-variant-numeric: tabular-nums;
}
tbody tr {
  border-bottom: 1px solid var(--hair);
}
small {
  color: var(--ink-soft);
}
.down {
  text-align: left;
  line-height: 1.1;
}
.down small {
  display: inline-block;
  vertical-align: middle;
  font-size: 12px;
  margin-left: 4px;
}
td.words {
  font-family: var(--font-sans);
  white-space: normal;
  min-width: 130px;
  line-height: 1.15;
}
</style>
