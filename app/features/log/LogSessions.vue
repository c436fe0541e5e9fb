<script setup lang="ts">
import { UButton } from '#components'
import { ref, shallowRef, watch } from 'vue'
import type { SessionRow } from '#schemas/log'
import { leaveOutOfLog } from '~/sync/leaveOut'
import { sessionsShown, SESSIONS_AT_ONCE } from '~/sync/logCopy'
import { useOutbox } from '~/sync/outboxStore'
import { useExchange } from '~/sync/useExchange'
import SessionDetails from './SessionDetails.vue'
import { useSession } from './useSession'

/** Days on the water, the newest first, each to be opened, read and put right. */
const emit = defineEmits<{ changed: [] }>()
const sessions = shallowRef<readonly SessionRow[]>()
const total = ref(0)
const page = ref(0)
const outbox = useOutbox()
const { error, exchange } = useExchange()

async function load(): Promise<void> {
  const asked = page.value
  const answer = await exchange(() => sessionsShown(asked))
  if (!answer || asked !== page.value) return
  sessions.value = answer.sessions
  total.value = answer.total
}
watch(page, () => void load(), { immediate: true })
// what was sent meanwhile stands in its own place
watch(
  () => outbox.settled,
  () => void load(),
)
defineExpose({ load })

const opened = useSession(() => {
  void load()
  emit('changed')
})
const toggle = (row: SessionRow): Promise<void> =>
  opened.open(opened.row.value?.session === row.session ? undefined : row)
/** A day that should not count: a borrowed rod, somebody else's taps. */
const leaveOut = ({ session }: SessionRow, excluded: boolean): Promise<void> =>
  exchange(async () => {
    await leaveOutOfLog('/api/log/sessions', session, excluded)
    await load()
    emit('changed')
  })
const day = (iso: string): string =>
  new Date(iso).toLocaleDateString('en-GB', { day: 'numeric', month: 'short', year: 'numeric' })
</script>

<template>
  <section class="sessions" aria-label="Sessions">
    <h2>
      Sessions <small>{{ total }}</small>
    </h2>
    <p v-if="error" class="bad" role="alert">
      {{ error }} <UButton variant="ghost" @click="load()">Try again</UButton>
    </p>
    <p v-else-if="sessions?.length === 0" class="label">No day on the water yet.</p>
    <ul>
      <li v-for="s in sessions" :key="s.session">
        <UButton
          variant="ghost"
          class="row"
          :aria-expanded="opened.row.value?.session === s.session"
          @click="toggle(s)"
        >
          <span :class="{ out: s.excluded }"
            ><b>{{ day(s.from) }}</b> <span data-own>{{ s.place }}</span></span
          ><small v-if="(s.counts.cast ?? 0) > 0"
            >{{ s.counts.cast ?? 0 }} casts, {{ s.counts.bite ?? 0 }} bites,
            {{ s.counts.landed ?? 0 }} landed, {{ s.counts.snag ?? 0 }} snags{{
              s.excluded ? '; left out' : ''
            }}</small
          >
        </UButton>
        <SessionDetails
          v-if="opened.row.value?.session === s.session"
          :row="s"
          :session="opened"
          @leave-out="leaveOut(s, $event)"
        />
      </li>
    </ul>
    <p v-if="total > SESSIONS_AT_ONCE" class="pages">
      <UButton :disabled="page === 0" @click="page--">Newer</UButton
      ><span class="label"
        >{{ SESSIONS_AT_ONCE * page + 1 }}–{{ Math.min(total, SESSIONS_AT_ONCE * (page + 1)) }} of
        {{ total }}</span
      ><UButton :disabled="SESSIONS_AT_ONCE * (page + 1) >= total" @click="page++"> Older </UButton>
    </p>
  </section>
</template>

<style scoped>
.sessions {
  padding: 6px 12px 12px;
}
h2 {
  font-size: 17px;
  font-weight: 600;
}
h2 small {
  color: var(--ink-soft);
  font-weight: 400;
}
.row {
  display: block;
  width: 100%;
  text-align: left;
  padding: 5px 0;
  border-top: 1px solid var(--hair);
  font-size: 15px;
}
.out {
  text-decoration: line-through;
  color: var(--ink-soft);
}
.row small {
  display: block;
  color: var(--ink-soft);
  font-size: 13px;
}
.pages {
  display: flex;
  gap: 8px;
  align-items: center;
  padding-top: 6px;
}
.bad {
  color: var(--wrack);
}
</style>
