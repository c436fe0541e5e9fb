<script setup lang="ts">
import { FAMILIES, pitchOf, radToDeg, rollOf, stepWeight } from '#catalogue'
import type { Lane, Letter } from '#schemas/spread'
import type { LaneOutcome } from '~/workers/protocol'
import { momentAt } from '~/utils/dropPath'
import { seriesOf } from '~/utils/series'
import { shown, weightText } from '~/utils/units'
import { DOUBT_SHORT, restWords } from '~/utils/words'

/** Every rig at the moment shown in the tank, how it comes to lie, and what can be tried on it. */
const props = defineProps<{ lanes: readonly Lane[], outcomes: ReadonlyMap<string, LaneOutcome>, time: number }>()
const spread = useSpread()
const settings = useSettings()

const rows = computed(() => props.lanes.map((lane) => {
  const outcome = props.outcomes.get(lane.letter)
  if (outcome?.kind !== 'done') return { lane, message: outcome?.kind === 'failed' ? outcome.message : outcome?.kind === 'invalid' ? outcome.problems[0]?.message : 'Working it out…' }
  const { fall } = outcome.report
  const m = momentAt(fall.drop, props.time)
  const series = seriesOf(fall.drop)
  const i = series.t.findIndex(s => s >= props.time)
  return {
    lane,
    down: `${fall.timeS.value.toFixed(1)} s`,
    range: `${fall.timeS.low.toFixed(1)}–${fall.timeS.high.toFixed(1)}`,
    doubt: DOUBT_SHORT[fall.mainDoubt],
    depth: shown(Math.max(0, -m.z), { ...settings.units.depth, decimals: 2 }),
    speed: m.landed ? '0' : shown(series.speed[i < 0 ? series.speed.length - 1 : i]!, { ...settings.units.speed, decimals: 2 }),
    pitch: `${Math.round(radToDeg(pitchOf(m.q)))}°`,
    roll: `${Math.round(Math.abs(radToDeg(rollOf(m.q))))}°`,
    away: shown(m.x, { ...settings.units.depth, decimals: 2 }),
    aside: shown(m.y, { ...settings.units.depth, decimals: 2 }),
    turns: Math.abs(fall.turnsPerM) > 0.05 && !('ending' in fall.drop && fall.drop.ending === 'hovers') ? `${Math.abs(fall.turnsPerM).toFixed(1)}${fall.summary.circleM === undefined ? '' : `, r ${shown(fall.summary.circleM, { ...settings.units.depth, decimals: 2 })}`}` : '–',
    rest: restWords(fall.rest),
  }
}))

const edit = (letter: Letter, change: Partial<Lane>): void => spread.editLane(letter, lane => ({ ...lane, ...change }))
const stepBend = (lane: Lane, by: 1 | -1): void => edit(lane.letter, { bendM: Math.round(((lane.bendM ?? 0) + by * 0.002) * 1000) / 1000 })
/** From the nose, in steps of two millimetres; the usual place of a belly weight is about 0.7 of the shank back. */
const stepPlace = (lane: Lane, by: 1 | -1): void => edit(lane.letter, { weightAtM: Math.round(((lane.weightAtM ?? 0.024) + by * 0.002) * 1000) / 1000 })
const stepLeader = (lane: Lane, by: 1 | -1): void => edit(lane.letter, { leaderM: Math.min(1.5, Math.max(0.1, Math.round(((lane.leaderM ?? 0.4) + by * 0.1) * 10) / 10)) })
const heavier = (lane: Lane, by: 1 | -1): void => edit(lane.letter, { weightKg: stepWeight(settings.units.ladderKg, lane.weightKg, by) })
</script>

<template>
  <div class="scroll">
    <table>
      <thead>
        <tr>
          <th scope="col">Rig</th><th scope="col">Down in; range, least certain</th><th scope="col">Depth, {{ settings.units.depth.label }}</th><th scope="col">Speed, {{ settings.units.speed.label }}</th>
          <th scope="col">Pitch</th><th scope="col">Roll</th><th scope="col">Away</th><th scope="col">Aside</th><th scope="col">Turns per m</th><th scope="col" class="words">On the bottom</th><th scope="col" class="words">Try</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in rows" :key="row.lane.letter" :class="`lane-${row.lane.letter}`">
          <th scope="row"><LaneChip :letter="row.lane.letter" /> {{ FAMILIES[row.lane.family].shortName }}</th>
          <td v-if="row.message" colspan="9" class="words">{{ row.message }}</td>
          <template v-else>
            <td class="down"><b>{{ row.down }}</b> <small>{{ row.range }}<br>{{ row.doubt }}</small></td><td>{{ row.depth }}</td><td>{{ row.speed }}</td><td>{{ row.pitch }}</td><td>{{ row.roll }}</td>
            <td>{{ row.away }}</td><td>{{ row.aside }}</td><td>{{ row.turns }}</td><td class="words">{{ row.rest }}</td>
          </template>
          <td class="try">
            <LadderStepper v-if="FAMILIES[row.lane.family].weighted" label="weight" :value="weightText(row.lane.weightKg, settings.system)" @step="by => heavier(row.lane, by)" />
            <LadderStepper label="crooked by" :value="`${Math.round((row.lane.bendM ?? 0) * 1000)} mm`" :down-disabled="(row.lane.bendM ?? 0) <= 0" :up-disabled="(row.lane.bendM ?? 0) >= 0.03" @step="by => stepBend(row.lane, by)" />
            <LadderStepper v-if="row.lane.family === 'W1'" label="weight at" :value="row.lane.weightAtM === undefined ? 'usual' : `${Math.round(row.lane.weightAtM * 1000)} mm`" @step="by => stepPlace(row.lane, by)" />
            <button v-if="row.lane.family === 'L1'" type="button" class="peg" :aria-pressed="row.lane.peg !== 'free'" @click="edit(row.lane.letter, { peg: row.lane.peg === 'free' ? 'pegged' : 'free' })">{{ row.lane.peg === 'free' ? 'free: peg it' : 'pegged: let it slide' }}</button>
            <LadderStepper v-if="row.lane.family === 'L3' || row.lane.family === 'L4'" label="leader" :value="`${row.lane.leaderM ?? (row.lane.family === 'L3' ? 0.4 : 0.3)} m`" @step="by => stepLeader(row.lane, by)" />
          </td>
        </tr>
      </tbody>
    </table>
  </div>
</template>

<style scoped>
.scroll { overflow-x: auto; border-top: var(--line-weight) solid var(--ink); }
table { width: 100%; border-collapse: collapse; font-size: 14px; }
thead th { font: 400 12px var(--font-figure); font-stretch: 86%; color: var(--ink-soft); text-align: right; padding: 3px 6px 2px; white-space: nowrap; border-bottom: 1px solid var(--hair-strong); }
thead th:first-child, .words { text-align: left !important; }
tbody th { text-align: left; font-weight: 600; white-space: nowrap; padding: 0 8px; position: sticky; left: 0; background: var(--paper); }
td { text-align: right; padding: 0 6px; height: 36px; white-space: nowrap; font-family: var(--font-figure); font-stretch: 88%; font-variant-numeric: tabular-nums; }
tbody tr { border-bottom: 1px solid var(--hair); }
small { color: var(--ink-soft); }
.down { text-align: left; line-height: 1.1; }
.down small { display: inline-block; vertical-align: middle; font-size: 12px; margin-left: 4px; }
td.words { font-family: var(--font-sans); white-space: normal; min-width: 130px; line-height: 1.15; }
.try { display: flex; gap: 8px; align-items: center; }
.peg { height: 26px; padding: 0 8px; border: var(--line-weight) solid var(--hair-strong); border-radius: 2px; font-family: var(--font-sans); font-size: 13px; }
.peg:hover { background: var(--ink); color: var(--paper); }
</style>
