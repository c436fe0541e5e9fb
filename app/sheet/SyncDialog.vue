<script setup lang="ts">
import { UButton, UModal, URadioGroup } from '#components'
import { computed, reactive } from 'vue'
import { merged, type Clash, type Side } from '../../shared/merge'
import { dropChange, settled, waiting, type Change } from '~/sync/changes'
import { shownFrom } from '~/sync/copies'
import { takenAlongAt } from '~/sync/deviceCopy'
import { useOutbox } from '~/sync/outboxStore'
import { settle, valueOf } from '~/sync/sendChanges'
import { useExchange } from '~/sync/useExchange'
import CheckField from '~/ui/CheckField.vue'
import { useSettings } from '~/ui/settings'
import { fieldName, fieldValue, KIND_NAMES } from '#words/fieldWords'
import AsideEntries from './AsideEntries.vue'

/** What waits on this device, and what both sides changed, to be chosen field by field. */
const open = defineModel<boolean>('open', { required: true })
const outbox = useOutbox()
const settings = useSettings()
const { busy, error, exchange } = useExchange()
const keyOf = ({ path, id }: Change): string => `${path}/${id}`
const nameOf = ({ now, base, theirs }: Change): string =>
  ([now, base, theirs] as ({ name?: string } | null | undefined)[]).find(one => one?.name)?.name ?? ''
const onItsWay = computed(() =>
  [...waiting.values()].filter(c => c.theirs === undefined && c.why === undefined),
)
const what = ({ base, now }: Change): string => (!now ? 'deleted' : base ? 'changed' : 'new')
const time = (at: string | number): string =>
  new Date(at).toLocaleString('en-GB', { day: 'numeric', month: 'short', hour: '2-digit', minute: '2-digit' })

/** Places where both sides differ, for a change that waits for that. */
const clashesOf = ({ path, base, now, theirs }: Change): readonly Clash[] =>
  theirs && now ? merged(base && valueOf(path, base), now, valueOf(path, theirs)).clashes : []
const picks = reactive<Record<string, Side>>({})
const pickKey = (change: Change, clash: Clash): string => `${keyOf(change)} ${clash.path}`
const sides = (clash: Clash) =>
  (['mine', 'theirs'] as const).map(value => ({
    value,
    label: `${value === 'mine' ? 'here' : 'on the server'}: ${fieldValue(clash.path, clash[value], settings.system)}`,
  }))
async function choose(change: Change, pick: ReadonlyMap<string, Side> | Side): Promise<void> {
  await exchange(async () => {
    await settle(change, pick)
    await outbox.send(true)
  })
}
const chosen = (change: Change): Map<string, Side> =>
  new Map(clashesOf(change).map(clash => [clash.path, picks[pickKey(change, clash)] ?? 'mine']))
async function letGo(change: Change): Promise<void> {
  await dropChange(change)
  settled(change.path, change.id, change.base)
}
</script>

<template>
  <UModal v-model:open="open" title="What is kept where" :ui="{ content: 'max-w-2xl' }">
    <template #body>
      <p v-if="error" class="bad" role="alert">{{ error }}</p>
      <p v-if="shownFrom !== undefined" class="copy">
        The server does not answer: what is shown is this device’s own copy, from {{ time(shownFrom) }}.
      </p>
      <p v-else-if="takenAlongAt > 0" class="copy">
        A copy of everything stands on this device, from {{ time(takenAlongAt) }}.
      </p>
      <section v-for="c in outbox.unsettled" :key="keyOf(c)" class="clash" :aria-label="nameOf(c)">
        <h3>
          {{ KIND_NAMES[c.path] }}: <span data-own>{{ nameOf(c) }}</span>
        </h3>
        <template v-if="c.why">
          <p>The server will not have this change: {{ c.why }}</p>
          <UButton :disabled="busy" @click="letGo(c)">Let the change go</UButton>
        </template>
        <template v-else-if="c.theirs === null">
          <p>It was deleted on the server and changed here.</p>
          <div class="acts">
            <UButton :disabled="busy" @click="choose(c, 'mine')">Bring it back as it is here</UButton>
            <UButton :disabled="busy" @click="choose(c, 'theirs')">Let it be deleted</UButton>
          </div>
        </template>
        <template v-else>
          <p>Changed here and on the server. What only one side changed is taken as it is.</p>
          <URadioGroup
            v-for="clash in clashesOf(c)"
            :key="clash.path"
            :model-value="picks[pickKey(c, clash)] ?? 'mine'"
            :legend="`${fieldName(clash.path)} (was ${fieldValue(clash.path, clash.base, settings.system)})`"
            :items="sides(clash)"
            @update:model-value="value => (picks[pickKey(c, clash)] = value as Side)"
          />
          <div class="acts">
            <UButton variant="solid" :disabled="busy" @click="choose(c, chosen(c))"
              >Keep what is chosen</UButton
            >
            <UButton :disabled="busy" @click="choose(c, 'theirs')">All as on the server</UButton>
          </div>
        </template>
      </section>
      <AsideEntries />
      <section aria-label="On this device">
        <h3>On this device, on its way to the server</h3>
        <p v-if="onItsWay.length === 0 && outbox.left === 0" class="label">Nothing: the server has it all.</p>
        <p v-if="outbox.left > 0">{{ outbox.left }} {{ outbox.left === 1 ? 'tap' : 'taps' }} of the log.</p>
        <ul>
          <li v-for="c in onItsWay" :key="keyOf(c)">
            <span
              >{{ KIND_NAMES[c.path] }}: <b data-own>{{ nameOf(c) }}</b>, {{ what(c) }}</span
            ><span class="label">{{ time(c.at) }}</span>
          </li>
        </ul>
        <UButton v-if="onItsWay.length + outbox.left > 0" :disabled="busy" @click="outbox.send(true)"
          >Send now</UButton
        >
        <p v-if="outbox.trouble && onItsWay.length + outbox.left > 0" class="label">
          {{ outbox.trouble }} It is tried again by itself.
        </p>
      </section>
      <section aria-label="Worked out ahead">
        <CheckField
          v-model="settings.ahead"
          label="Get picks and plans ready while nobody touches the page"
        />
        <p class="label">
          They then stand sooner when they are asked for. It keeps the device busy for a while; with less than
          half a battery and no charger it waits.
        </p>
      </section>
    </template>
  </UModal>
</template>

<style scoped>
h3 {
  font-size: 17px;
  font-weight: 600;
}
section {
  padding: 8px 0 12px;
  display: grid;
  gap: 8px;
  justify-items: start;
}
.clash {
  border-bottom: var(--line-weight) solid var(--hair-strong);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
ul {
  width: 100%;
}
li {
  display: flex;
  justify-content: space-between;
  gap: 12px;
  padding: 4px 0;
  border-top: 1px solid var(--hair);
}
.bad {
  color: var(--wrack);
}
</style>
