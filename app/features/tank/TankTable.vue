<script setup lang="ts">
import { computed } from 'vue'
import { useEvidence } from '~/sheet/evidence'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import LaneChip from '~/ui/LaneChip.vue'
import LiveText from '~/ui/LiveText.vue'
import TankTry from './TankTry.vue'
import { FAMILIES, type BentDrop, pitchOf, radToDeg, rollOf } from '#core'
import type { Lane } from '#schemas/spread'
import type { LaneOutcome } from '~/compute/protocol'
import { momentAt } from '~/ui/drawing/dropPath'
import { seriesOf } from '~/ui/drawing/series'
import type { Zone } from '~/ui/drawing/diver'
import TermLabel from '~/ui/TermLabel.vue'
import { fromTo, numberText, shown, trueMinus } from '#words/units'
import { BASIS_MARKS, DOUBT_SHORT, restWords, stoppedText } from '#words/words'
import { secondsIn } from '~/ui/drawing/zone'
import { draftWords, sitsWords } from '#words/onTopWords'
import { problemText } from '#words/problemWords'
import SheetTable, { type SheetColumn } from '~/ui/SheetTable.vue'

/** Every rig at the moment shown in the tank, how it comes to lie, and what can be tried on it. */
const props = defineProps<{
  lanes: readonly Lane[]
  outcomes: ReadonlyMap<string, LaneOutcome>
  /** the moment that is shown, s; asked for by the figures that follow it alone */ at: () => number
  zone?: Zone
  /** drops of the rigs that bend, where they are shown bent */ bent?: ReadonlyMap<string, BentDrop>
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
            ? outcome.onTop
              ? `Afloat: ${sitsWords(outcome.onTop)}; ${draftWords(outcome.onTop, settings.system)}.`
              : stoppedText(outcome, settings.units.depth)
            : outcome?.kind === 'invalid'
              ? outcome.problems
                  .slice(0, 1)
                  .map(p => problemText(p, settings.system))
                  .join('')
              : 'Working it out…',
      }
    const { fall } = outcome.report
    const bent = props.bent?.get(lane.letter)
    if (bent) return bentRow(lane, bent, fall.timeS.value)
    return {
      lane,
      down: `${fall.timeS.value.toFixed(1)} s`,
      mark: BASIS_MARKS[fall.timeS.basis],
      moved: fall.timeS.basis === 'measured' ? movedBy(lane) : undefined,
      range: fromTo(fall.timeS.low, fall.timeS.high, 1),
      doubt: `${DOUBT_SHORT[fall.mainDoubt]}${outcome.report.links ? '; bends' : ''}`,
      turns:
        Math.abs(fall.turnsPerM) > 0.05 && !('ending' in fall.drop && fall.drop.ending === 'hovers')
          ? `${(Math.abs(fall.turnsPerM) / settings.units.depth.from(1)).toFixed(1)}${fall.summary.circleM === undefined ? '' : `, r ${shown(fall.summary.circleM, { ...settings.units.depth, decimals: 2 })}`}`
          : '–',
      inZone: props.zone ? `${secondsIn(fall.drop, props.zone).toFixed(1)} s` : '',
      rest: restWords(fall.rest, settings.system),
    }
  }),
)
/** A rig whose plastic bends: its own time, beside that of one stiff body, which has the range. */
const bentRow = (lane: Lane, drop: BentDrop, stiffS: number) => ({
  lane,
  down: `${drop.timeS.toFixed(1)} s`,
  mark: BASIS_MARKS.computed,
  moved: undefined,
  range: `stiff ${stiffS.toFixed(1)} s`,
  doubt: 'bent, without a range',
  turns: '–',
  inZone: props.zone ? `${secondsIn(drop, props.zone).toFixed(1)} s` : '',
  rest: '–',
})
interface Live {
  readonly depth: string
  readonly speed: string
  readonly pitch: string
  readonly roll: string
  readonly drift: string
}
/** What follows the moment that is shown, by rig. */
const live = computed(() => {
  const at = props.at()
  const depth = { ...settings.units.depth, decimals: 2 }
  return new Map(
    props.lanes.flatMap(({ letter }): [string, Live][] => {
      const outcome = props.outcomes.get(letter)
      if (outcome?.kind !== 'done') return []
      const { fall } = outcome.report
      const bent = props.bent?.get(letter)
      const m = bent ? momentAt(bent, at) : momentAt(fall.drop, at, fall.rest)
      const series = seriesOf(bent ?? fall.drop)
      const i = series.t.findIndex(s => s >= at)
      const speed = series.speed[i < 0 ? series.speed.length - 1 : i]!
      return [
        [
          letter,
          {
            depth: shown(Math.max(0, -m.z), depth),
            speed: m.landed ? '0' : shown(speed, { ...settings.units.speed, decimals: 2 }),
            pitch: `${numberText(radToDeg(pitchOf(m.q)), 0)}°`,
            roll: `${Math.round(Math.abs(radToDeg(rollOf(m.q))))}°`,
            drift: `${trueMinus(shown(m.x, depth))}, ${trueMinus(shown(m.y, depth))}`,
          },
        ],
      ]
    }),
  )
})
const liveOf = (letter: string, what: keyof Live) => (): string => live.value.get(letter)?.[what] ?? ''
type Row = (typeof rows.value)[number]
const keyOf = (row: Row): string => row.lane.letter
const classOf = (row: Row): string => `lane-${row.lane.letter}`
const columns = computed((): readonly SheetColumn<Row>[] => [
  { id: 'rig', label: 'Rig', words: true },
  { id: 'down', label: 'Down in; range, least certain', words: true },
  { id: 'depth', label: `Depth, ${settings.units.depth.label}` },
  { id: 'speed', label: `Speed, ${settings.units.speed.label}` },
  { id: 'pitch', label: 'Pitch' },
  { id: 'roll', label: 'Roll' },
  { id: 'drift', label: 'From the splash, to the side' },
  { id: 'turns', label: `Turns per ${settings.units.depth.label}` },
  ...(props.zone ? [{ id: 'zone', label: 'Among the fish' }] : []),
  { id: 'rest', label: 'On the bottom', words: true, class: 'rest wrap' },
  { id: 'try', label: 'Try', words: true },
])
</script>

<template>
  <SheetTable
    class="falls"
    cards
    :columns="columns"
    :rows="rows"
    :key-of="keyOf"
    :row-class="classOf"
    label="Rigs in the tank"
  >
    <template #head-pitch><TermLabel term="pitch">Pitch</TermLabel></template>
    <template #head-roll><TermLabel term="roll">Roll</TermLabel></template>
    <template #head-drift><TermLabel term="drift">From the splash</TermLabel>, to the side</template>
    <template #head-turns
      ><TermLabel term="turns">Turns</TermLabel> per {{ settings.units.depth.label }}</template
    >
    <template #rig="{ row }">
      <LaneChip :letter="row.lane.letter" /> {{ FAMILIES[row.lane.family].shortName }}
    </template>
    <template #down="{ row }">
      <template v-if="row.message">{{ row.message }}</template>
      <span v-else :title="row.moved">
        <b>{{ row.down }}</b> {{ row.mark
        }}<span v-if="row.moved" class="visually-hidden">{{ row.moved }}</span>
        <small>{{ row.range }}<br />{{ row.doubt }}</small>
      </span>
    </template>
    <template #depth="{ row }"><LiveText :of="liveOf(row.lane.letter, 'depth')" /></template>
    <template #speed="{ row }"><LiveText :of="liveOf(row.lane.letter, 'speed')" /></template>
    <template #pitch="{ row }"><LiveText :of="liveOf(row.lane.letter, 'pitch')" /></template>
    <template #roll="{ row }"><LiveText :of="liveOf(row.lane.letter, 'roll')" /></template>
    <template #drift="{ row }"><LiveText :of="liveOf(row.lane.letter, 'drift')" /></template>
    <template #turns="{ row }">{{ row.turns }}</template>
    <template #zone="{ row }">{{ row.inZone }}</template>
    <template #rest="{ row }">{{ row.rest }}</template>
    <template #try="{ row }"><TankTry :lane="row.lane" /></template>
  </SheetTable>
</template>

<style scoped>
.falls {
  border-top: var(--line-weight) solid var(--ink);
}
.falls :deep(.rig) {
  position: sticky;
  left: 0;
  background: var(--paper);
}
.falls :deep(td.down) {
  line-height: 1.1;
}
.falls :deep(td.down small) {
  display: inline-block;
  vertical-align: middle;
  font-size: 12px;
  margin-left: 4px;
}
</style>
