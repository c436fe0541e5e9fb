<script setup lang="ts">
import { UButton, UProgress } from '#components'
import { navigateTo } from '#imports'
import { computed, ref } from 'vue'
import { usePick } from './usePick'
import { useSettings } from '~/ui/settings'
import { useSpread } from '~/sheet/spread'
import ChoiceField from '~/ui/ChoiceField.vue'
import DayFields from './DayFields.vue'
import PickCard from './PickCard.vue'
import PickCloud from './PickCloud.vue'
import PickOnTop from './PickOnTop.vue'
import PickOthers from './PickOthers.vue'
import SheetFrame from '~/sheet/SheetFrame.vue'
import WayPanel from './WayPanel.vue'
import { FAMILIES, type RigSpec } from '#core'
import { viewPath, type SheetView } from '~/sheet/useSheetCommands'
import { familyItems } from '~/ui/families'
import { layOut } from './pickSheet'
import { LIMIT_WORDS, whatIfWords } from '#words/pickWords'
import { dayChangeText, nothingText, whyNotText } from '#words/pickReasons'
import { weightText } from '#words/units'
import type { CloudPoint, PickAnswer } from '~/compute/pick'
import CheckField from '~/ui/CheckField.vue'

/** The search over what is in the box: the rig to tie on, alternatives, why and why not. */
defineProps<{ id: string | undefined }>()
const spread = useSpread()
const settings = useSettings()
const {
  answer,
  early,
  progress,
  working,
  error,
  retry,
  cancel,
  day,
  goods,
  beyond,
  family,
  box,
  nameOf,
  formStands,
} = usePick()
/** What is being done, while it is. */
const doing = computed(() => {
  if (early.value) return 'The best so far. Looking further…'
  return answer.value ? 'Looking again…' : 'Looking through the box…'
})
const families = [{ value: 'any' as const, label: 'any' }, ...familyItems()]
const exploring = ref(false)
const picks = computed(() => answer.value?.picks ?? [])
const first = computed(() => picks.value[0])
/** The last answer with all its candidates: the first picks of the next come without. */
const looked = computed<PickAnswer | undefined>(before =>
  early.value && answer.value?.cloud.length === 0 ? (before ?? answer.value) : answer.value,
)
const baitName = (pick: { readonly bait: number }): string => {
  const bait = answer.value?.baits[pick.bait]
  if (!bait) return ''
  const colours = goods.value.alike.get(bait.id)?.length ?? 1
  return colours > 1 ? `${bait.name.replace(/,[^,]*$/, '')}, in ${colours} colours` : bait.name
}
const hookNameOf = (pick: { readonly rigging: number; readonly weight: number }): string | undefined => {
  const way = answer.value?.riggings[pick.rigging]
  if (!way) return undefined
  if (way.hookId === '') return 'not in the box: worth buying'
  return [nameOf(way.hookId), nameOf(way.weights[pick.weight]?.itemId)].filter(Boolean).join(' + ')
}
const out = computed(() =>
  (Object.entries(answer.value?.out ?? {}) as [keyof typeof LIMIT_WORDS, number][])
    .sort((a, b) => b[1] - a[1])
    .map(([id, n]) => `${n.toLocaleString('en')} ${LIMIT_WORDS[id]}`)
    .join(', '),
)

const go = (view: SheetView): void => void navigateTo(viewPath(view, spread.saved?.id))
function put(indices: readonly number[], view: SheetView = 'spread'): void {
  const chosen = indices.flatMap(i =>
    picks.value[i]
      ? [
          {
            rig: picks.value[i]!.rig,
            bait: answer.value!.baits[picks.value[i]!.bait]!.spec,
            pick: picks.value[i]!,
          },
        ]
      : [],
  )
  spread.edit(draft => void Object.assign(draft, layOut(draft, chosen, day.value)))
  spread.picked = 'A'
  go(view)
}
function putOnTop(): void {
  const { onTop: pick, baits } = answer.value!
  const chosen = [{ rig: pick!.rig, bait: baits[pick!.bait]!.spec, pick: pick! }]
  spread.edit(draft => void Object.assign(draft, layOut(draft, chosen, day.value)))
  spread.picked = 'A'
  go('spread')
}
function putPoints(points: readonly CloudPoint[]): void {
  const { riggings, baits } = looked.value!
  const rigOf = ({ rigging, weight, point }: CloudPoint): RigSpec => ({
    ...riggings[rigging]!.base,
    weightKg: riggings[rigging]!.weights[weight]!.weightKg,
    weightMaterial: riggings[rigging]!.weights[weight]!.weightMaterial,
    pointRest: point,
  })
  spread.edit(
    draft =>
      void Object.assign(
        draft,
        layOut(
          draft,
          points.map(p => ({ rig: rigOf(p), bait: baits[p.bait]!.spec, pick: first.value! })),
          day.value,
        ),
      ),
  )
  exploring.value = false
  go('spread')
}
</script>

<template>
  <SheetFrame :id="id" v-slot="{ showCautions }" view="pick">
    <DayFields v-if="formStands" :day="day">
      <span class="grow" />
      <ChoiceField
        label="way of rigging"
        :model-value="family"
        :items="families"
        @update:model-value="value => (family = value)"
      />
      <CheckField v-model="beyond" label="not owned, too" />
    </DayFields>
    <div v-if="working" class="bar" role="status">
      <UProgress
        :model-value="progress"
        :max="1"
        :get-value-label="() => 'Looking through the box'"
        class="w-60"
      />
      <span class="label">{{ doing }} {{ Math.round(100 * progress) }} %</span>
      <UButton @click="cancel()">Stop</UButton>
    </div>
    <p v-if="error || box.error" class="bad" role="alert">
      {{ error ?? box.error }}
      <UButton variant="ghost" @click="box.error ? box.load() : retry()">Try again</UButton>
    </p>
    <section v-if="answer?.nothing" class="nothing" aria-label="Nothing to pick">
      <h2>{{ nothingText(answer.nothing, day, settings.system).sentence }}</h2>
      <p>{{ nothingText(answer.nothing, day, settings.system).way }}</p>
      <p class="label">{{ answer.looked.toLocaleString('en') }} looked at{{ out ? `: ${out}` : '' }}.</p>
      <UButton v-if="!beyond" variant="solid" @click="beyond = true">Look at what I do not own, too</UButton>
      <UButton :to="viewPath('box', spread.saved?.id)">Open the box</UButton>
    </section>
    <div v-else-if="answer && first" class="body" :aria-busy="working">
      <div class="main">
        <PickCard
          :pick="first"
          :odds="answer.odds[0] ?? 1"
          :day="day"
          :bait-name="baitName(first)"
          :reasons="answer.reasons"
          :hook-name="hookNameOf(first)"
          :line-name="nameOf(first.lineId)"
          :rod-name="nameOf(first.rodId)"
          :steps="answer.steps"
        />
        <p class="acts no-print">
          <UButton variant="solid" @click="put(picks.map((_, i) => i))"> Put these in the Spread </UButton>
          <UButton @click="put([0], 'bench')">On the Bench</UButton>
          <UButton @click="put([0], 'tank')">In the Tank</UButton>
          <UButton @click="exploring = true">All candidates…</UButton>
          <span class="label"
            >{{ answer.looked.toLocaleString('en') }} looked at in {{ (answer.ms / 1000).toFixed(1) }} s:
            {{ out }}</span
          >
        </p>
      </div>
      <div class="side">
        <PickOthers :picks="picks" :odds="answer.odds" :bait-name="baitName" @put="i => put([i])" />
        <PickOnTop
          v-if="answer.onTop"
          :pick="answer.onTop"
          :bait-name="baitName(answer.onTop)"
          @put="putOnTop"
        />
        <section class="list" aria-label="What would change it">
          <h2 class="label">what would change it</h2>
          <p v-if="answer.whatIfs.length === 0" class="label">
            {{ working ? 'Being worked out…' : 'Not looked at: the search was stopped.' }}
          </p>
          <dl>
            <div v-for="w in answer.whatIfs" :key="w.change.id" :class="{ same: w.same }">
              <dt>{{ dayChangeText(w.change, settings.system) }}</dt>
              <dd>
                <template v-if="w.same">the same rig</template
                ><template v-else
                  ><b
                    >{{ FAMILIES[w.family].shortName
                    }}{{ w.weightKg > 0 ? `, ${weightText(w.weightKg, settings.system)}` : '' }}</b
                  >, <span data-own>{{ baitName(w) }}</span>:
                  {{ whatIfWords(w, settings.units, settings.system) }}
                  <small v-if="w.pBetter < 0.995" class="label"
                    >better than the first pick in {{ Math.round(100 * w.pBetter) }} in 100 ways</small
                  ></template
                >
              </dd>
            </div>
          </dl>
        </section>
        <section class="list" aria-label="Why not">
          <h2 class="label">why not</h2>
          <p v-if="early && answer.whyNots.length === 0" class="label">Being worked out…</p>
          <dl>
            <div v-for="w in answer.whyNots" :key="w.family">
              <dt>{{ FAMILIES[w.family].shortName }}</dt>
              <dd>{{ whyNotText(w, settings.system) }}</dd>
            </div>
          </dl>
        </section>
        <div class="list"><WayPanel :ways="answer.ways" /></div>
        <p class="label foot">
          Scores weigh computed figures by what fish are assumed to like;
          <UButton variant="ghost" @click="showCautions()">cautions: hooks, lead, water</UButton>
        </p>
      </div>
    </div>
    <p v-else-if="!error" class="label wait">
      Looking through the box for the first time takes a few seconds…
    </p>
    <PickCloud v-if="looked" v-model:open="exploring" :answer="looked" @put="putPoints" />
  </SheetFrame>
</template>

<style scoped>
.grow {
  flex: 1;
}
.bar {
  display: flex;
  gap: 12px;
  align-items: center;
  padding: 4px 12px;
}
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1.25fr) minmax(0, 1fr);
  align-items: start;
}
.main {
  border-right: 1px solid var(--hair-strong);
  height: 100%;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 8px;
  align-items: center;
  padding: 6px 14px 12px;
}
.list {
  padding: 6px 12px;
  border-top: 1px solid var(--hair-strong);
}
dl > div {
  display: grid;
  grid-template-columns: 150px minmax(0, 1fr);
  gap: 8px;
  padding: 2px 0;
  font-size: 14px;
  line-height: 1.3;
}
dt {
  color: var(--ink-soft);
}
.same dd {
  color: var(--ink-soft);
}
dd b {
  font-weight: 600;
}
.foot {
  padding: 6px 12px;
}
.foot button,
.bad button {
  text-decoration: underline;
  text-underline-offset: 3px;
}
.nothing {
  padding: 40px 24px;
  display: grid;
  gap: 10px;
  justify-items: start;
  max-width: 70ch;
}
.nothing h2 {
  font-size: 24px;
}
.nothing p {
  font-size: 17px;
}
.bad {
  padding: 8px 12px;
  color: var(--wrack);
}
.wait {
  padding: 20px;
}
@media (max-width: 999px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
  }
  .main {
    border-right: 0;
  }
}
</style>
