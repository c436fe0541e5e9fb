<script setup lang="ts">
import TieKey from '~/sheet/tying/TieKey.vue'
import { useElementSize } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import { useSettings } from '~/ui/settings'
import RigSketch from '~/ui/RigSketch.vue'
import { coloursOf, type Day, type FactorId } from '#core'
import type { PickAnswer } from '~/compute/pick'
import {
  cadenceWords,
  factorRows,
  knotAdvice,
  lineWords,
  rigWords,
  rodWords,
  sizeWords,
} from '#words/pickWords'
import { castWords } from '#words/castWords'
import { leaderText } from '#words/leaderWords'
import { limitText } from '#words/limitWords'
import { reasonText } from '#words/pickReasons'
import { BASIS_MARKS, POINT_WORDS, restWords } from '#words/words'
import { fromTo, shown, weightText, withUnit } from '#words/units'
import FoldOut from '~/ui/FoldOut.vue'
import { countTo } from './countdown'

/** The rig to tie on: drawn, sized, with line, count and cadence, and why. */
const props = defineProps<{
  pick: PickAnswer['picks'][number]
  /** part of the ways it may be in which it is the best of the picks */ odds: number
  day: Day
  baitName: string
  reasons: readonly FactorId[]
  hookName: string | undefined
  lineName: string | undefined
  rodName: string | undefined
  steps: PickAnswer['steps']
}>()
const settings = useSettings()
const host = useTemplateRef('host')
const { width } = useElementSize(host)
const H = 132
const perM = computed(() => {
  const [left, bottom, right, top] = props.pick.drawing.bounds
  return Math.max(100, Math.min((width.value - 30) / (right - left), (H - 34) / (top - bottom)))
})
const strength = (n: number): string => withUnit(n, settings.units.lineStrength)
/** What a weight beside it does to the score. */
const scoreChange = (by: number): string =>
  Math.abs(by - 1) < 0.005
    ? 'the same score'
    : `${by > 1 ? '+' : '−'}${Math.round(100 * Math.abs(by - 1))} % of the score`
const counts = computed(() => countTo(props.pick.report, props.day))
const rows = computed(() => factorRows(props.pick.factors))
const colours = computed(() => coloursOf(props.day.prey, props.day.clarity, props.day.light))
</script>

<template>
  <section class="pick" aria-label="Tie this on">
    <p class="label">
      tie on<template v-if="odds < 1">
        · the best of these in {{ Math.round(100 * odds) }} in 100 ways it may be</template
      >
    </p>
    <h2>
      {{ rigWords(pick.rig) }} <small>{{ sizeWords(pick.rig, settings.system) }}</small>
    </h2>
    <p class="bait" data-own>
      {{ baitName }}<template v-if="hookName"> · {{ hookName }}</template>
    </p>
    <div ref="host" class="drawing">
      <RigSketch
        v-if="width > 0"
        :drawing="pick.drawing"
        :per-m="perM"
        :width="width"
        :height="H"
        :unit-label="settings.units.length.label"
        :described="`${rigWords(pick.rig)} ${sizeWords(pick.rig, settings.system)} in ${baitName}`"
      />
    </div>
    <dl class="figures">
      <div>
        <dt>count to the fish</dt>
        <dd class="figure">
          {{ counts.zone }}
          <small>bottom at {{ counts.bottom }} s {{ BASIS_MARKS[pick.report.fall.timeS.basis] }}</small>
        </dd>
      </div>
      <div>
        <dt>falls</dt>
        <dd class="figure">
          {{ shown(pick.report.fall.meanSpeedMS.value, settings.units.speed) }}
          <small
            >{{ settings.units.speed.label }} {{ BASIS_MARKS[pick.report.fall.meanSpeedMS.basis] }}</small
          >
        </dd>
      </div>
      <div>
        <dt>hooked</dt>
        <dd class="figure">
          {{ Math.round(100 * pick.report.strike.hookUp.value) }}
          <small
            >% ({{ fromTo(100 * pick.report.strike.hookUp.low, 100 * pick.report.strike.hookUp.high) }})
            {{ BASIS_MARKS[pick.report.strike.hookUp.basis] }}</small
          >
        </dd>
      </div>
      <div>
        <dt>left for fishing</dt>
        <dd class="figure">
          {{ Math.round(pick.report.snag.minutesLeft.value) }}
          <small
            >min/h ({{ fromTo(pick.report.snag.minutesLeft.low, pick.report.snag.minutesLeft.high) }})
            {{ BASIS_MARKS[pick.report.snag.minutesLeft.basis] }}</small
          >
        </dd>
      </div>
    </dl>
    <dl class="how">
      <div>
        <dt>line</dt>
        <dd>
          <span :data-own="lineName ? '' : undefined">{{ lineName ?? lineWords(pick, strength) }}</span>;
          brings out {{ Math.round(100 * pick.factors.landed) }} %, the hook opens at
          {{ strength(pick.report.fit.openingLoadN.value) }}
        </dd>
      </div>
      <div>
        <dt>rod</dt>
        <dd>
          <span data-own>{{ rodName ?? 'any' }}</span>, {{ rodWords(pick) }}; throws it
          {{ castWords(pick.report.cast, day.wind, settings.units) }}
        </dd>
      </div>
      <div v-for="s in steps" :key="s.weightKg">
        <dt>{{ s.weightKg < pick.rig.weightKg ? 'lighter' : 'heavier' }}</dt>
        <dd>
          {{ weightText(s.weightKg, settings.system) }}{{ s.inBox ? '' : ' (not in the box)' }}:
          {{
            s.barred
              ? limitText(s.barred, settings.system)
              : `${shown(s.meanSpeedMS, settings.units.speed)} ${settings.units.speed.label}, bottom at ${Math.round(s.bottomS)} s, ${Math.round(s.minutesLeft)} min/h; ${scoreChange(s.score / pick.score)}`
          }}
        </dd>
      </div>
      <div>
        <dt>point</dt>
        <dd>
          {{ POINT_WORDS[pick.rig.pointRest] }}; {{ restWords(pick.report.fall.rest, settings.system) }}
        </dd>
      </div>
      <div>
        <dt>cadence</dt>
        <dd>{{ cadenceWords(pick, day) }} <i class="label">custom</i></dd>
      </div>
      <div>
        <dt>tie</dt>
        <dd>{{ leaderText(pick.leader, settings.system) }}</dd>
      </div>
      <div>
        <dt>knot</dt>
        <dd>
          {{ knotAdvice(day, pick) }} <i class="label">custom</i>
          <TieKey
            :rig="pick.rig"
            :leader="pick.leader"
            :line="pick.outfit.line.kind"
            :rated-n="pick.outfit.line.strengthN"
          />
        </dd>
      </div>
      <div>
        <dt>colour</dt>
        <dd>{{ colours }} <i class="label">custom</i></dd>
      </div>
    </dl>
    <h3 class="label">why</h3>
    <ul class="reasons">
      <li v-for="reason in reasons" :key="reason">{{ reasonText(reason, day, pick, settings.system) }}</li>
    </ul>
    <FoldOut>
      <template #head
        ><span
          >Where the score of {{ (100 * pick.score).toFixed(1) }} comes from ({{
            fromTo(100 * pick.low, 100 * pick.high, 1)
          }})</span
        ></template
      >
      <p class="label">
        Of a hundred fish an hour that could be met, each share leaves so many. ◇ computed; the others weigh
        computed figures by what fish are assumed to like.
      </p>
      <ol>
        <li v-for="r in rows" :key="r.id">
          <span>{{ r.name }}{{ r.computed ? ' ◇' : '' }}</span
          ><i :style="{ width: `${100 * r.share}%` }" :class="{ computed: r.computed }" /><b class="figure"
            >{{ Math.round(100 * r.share) }} %</b
          >
        </li>
      </ol>
    </FoldOut>
  </section>
</template>

<style scoped>
.pick {
  padding: 8px 14px 12px;
  border-left: 5px solid var(--float);
}
h2 {
  font-size: 28px;
  line-height: 1.1;
  font-weight: 600;
}
h2 small {
  font-size: 18px;
  font-weight: 400;
  margin-left: 6px;
}
.bait {
  font-size: 16px;
  color: var(--ink-soft);
}
.drawing {
  margin: 4px 0;
  border-bottom: 1px solid var(--hair);
}
.figures {
  display: grid;
  grid-template-columns: repeat(4, minmax(0, 1fr));
  gap: 10px;
  padding: 4px 0;
}
.figures dd {
  font-size: 32px;
  font-weight: 600;
  line-height: 1.1;
}
.figures small {
  font-size: 13px;
  font-weight: 400;
  color: var(--ink-soft);
  white-space: nowrap;
}
dt {
  font-family: var(--font-figure);
  font-stretch: 86%;
  font-size: 12px;
  color: var(--ink-soft);
}
.how {
  display: grid;
  grid-template-columns: repeat(2, minmax(0, 1fr));
  gap: 4px 16px;
  padding: 6px 0;
  border-top: 1px solid var(--hair);
  font-size: 15px;
}
.how > div {
  display: grid;
  grid-template-columns: 62px minmax(0, 1fr);
  align-items: baseline;
}
h3 {
  margin-top: 4px;
}
.reasons li {
  font-size: 17px;
  padding: 2px 0 2px 12px;
  position: relative;
}
.reasons li::before {
  content: '–';
  position: absolute;
  left: 0;
}
.score {
  padding: 6px 0;
  font-size: 14px;
  text-decoration: underline;
  text-underline-offset: 3px;
  cursor: pointer;
}
ol li {
  display: grid;
  grid-template-columns: 170px minmax(0, 1fr) 48px;
  gap: 8px;
  align-items: center;
  font-size: 14px;
  padding: 1px 0;
}
ol i {
  height: 10px;
  background: var(--hair-strong);
}
ol i.computed {
  background: var(--marram);
}
ol b {
  text-align: right;
}
@media (max-width: 639px) {
  .figures {
    grid-template-columns: repeat(2, minmax(0, 1fr));
  }
  .how {
    grid-template-columns: minmax(0, 1fr);
  }
  h2 {
    font-size: 24px;
  }
  ol li {
    grid-template-columns: 130px minmax(0, 1fr) 44px;
  }
}
</style>
