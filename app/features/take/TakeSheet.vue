<script setup lang="ts">
import { NuxtLink, UButton, UInput, USwitch } from '#components'
import { useHead } from '#imports'
import { computed, onMounted, ref } from 'vue'
import ChoiceField from '~/ui/ChoiceField.vue'
import QrCode from './QrCode.vue'
import { useNetwork, type PairedDevice } from './useNetwork'

/** How a phone gets Dunecrest: on the network, trusted, paired; and which devices were let in. */
useHead({ title: 'Take it to the bank · Dunecrest' })
const { network, code, left, cameIn, busy, error, load, newCode, change, rename, turnAway } = useNetwork()
onMounted(async () => {
  await load()
  if (network.value?.open && !locked.value) await newCode()
})
const chosen = ref<string>()
const address = computed(() => {
  const all = network.value?.addresses ?? []
  return all.includes(chosen.value ?? '') ? chosen.value : all[0]
})
const addresses = computed(() =>
  (network.value?.addresses ?? []).map(value => ({ value, label: value.replace(/^https:\/\//, '') })),
)
const locked = computed(() => (network.value?.lockedUntil ?? 0) > Date.now())
/** Over plain http first, where the phone is led to trust this machine; it goes on by itself once it does. */
const link = computed(() => {
  if (!address.value || !code.value) return undefined
  const start = network.value?.fingerprint ? address.value.replace('https:', 'http:') : address.value
  return `${start}/pair#code=${code.value.code.replace(' ', '')}`
})
const clock = computed(() => `${Math.floor(left.value / 60)}:${String(left.value % 60).padStart(2, '0')}`)
const day = (iso: string): string =>
  new Date(iso).toLocaleString('en-GB', {
    day: 'numeric',
    month: 'short',
    hour: '2-digit',
    minute: '2-digit',
  })
const asked = ref<string>()
function askOrTurnAway(device: PairedDevice): void {
  if (asked.value !== device.id) return void (asked.value = device.id)
  asked.value = undefined
  void turnAway(device)
}
const takeName = (device: PairedDevice, event: Event): void => {
  const name = (event.target as HTMLInputElement).value.trim()
  if (name !== '' && name !== device.name) void rename(device, name)
}
</script>

<template>
  <main class="take">
    <header>
      <NuxtLink to="/" class="mark figure" aria-label="Dunecrest, to the sheet">Dunecrest</NuxtLink>
      <h1>Take it to the bank</h1>
      <USwitch
        v-if="network"
        :model-value="network.open"
        :disabled="busy"
        label="on the network at home"
        @update:model-value="change($event)"
      />
    </header>
    <p v-if="error" class="bad" role="alert">
      {{ error }} <UButton variant="ghost" @click="load()">Try again</UButton>
    </p>
    <p v-if="network?.trouble" class="bad" role="alert">Not on the network: {{ network.trouble }}</p>
    <p v-if="!network && !error" class="label">Looking…</p>
    <section v-if="network && !network.open" class="shut" aria-label="Off the network">
      <p>
        Dunecrest answers this machine alone. Switch it on, and a phone on the same network can be paired:
        once, in a minute. After that the phone has its own copy of everything and needs nothing at the water.
      </p>
      <UButton variant="solid" size="xl" :disabled="busy" @click="change(true)"
        >Put it on the network</UButton
      >
      <p class="label">
        Nobody gets anything without a code from this page. The same at the start: npm start -- --lan
      </p>
    </section>
    <div v-else-if="network" class="both">
      <section class="code" aria-label="Pairing code">
        <template v-if="cameIn">
          <p class="done" role="status">“{{ cameIn }}” is paired.</p>
          <UButton variant="solid" size="xl" @click="newCode()">Pair another</UButton>
        </template>
        <p v-else-if="locked" class="bad" role="alert">
          Too many wrong codes: pairing is locked for a quarter of an hour.
        </p>
        <template v-else-if="code && link">
          <QrCode class="qr" :text="link" :says="`Code to scan: ${link}`" />
          <p class="big figure" data-own>{{ code.code }}</p>
          <p class="label" role="timer">good once, for {{ clock }}</p>
          <UButton @click="newCode()">A new code</UButton>
        </template>
        <template v-else>
          <p>The code has run out.</p>
          <UButton variant="solid" size="xl" :disabled="busy" @click="newCode()">A new code</UButton>
        </template>
      </section>
      <section class="steps" aria-label="Steps">
        <h2>On the phone</h2>
        <ol>
          <li>Be on the same network as this machine.</li>
          <li>
            Scan the code with the camera, or type
            <b class="figure" data-own>{{ address?.replace('https:', 'http:') }}</b>
          </li>
          <li v-if="network.fingerprint">
            Follow the page there to trust this machine. It shows this fingerprint; if it shows another, stop:
            <code class="figure" data-own>{{ network.fingerprint }}</code>
          </li>
          <li>Give the code, name the phone. Then put the page on the phone’s home screen.</li>
          <li>Leave it open until it says that everything is kept on this phone.</li>
        </ol>
        <ChoiceField
          v-if="addresses.length > 1 && address"
          label="address"
          :model-value="address"
          :items="addresses"
          @update:model-value="value => (chosen = value)"
        />
        <p v-if="addresses.length > 1" class="label">
          An address in figures can change with the network, and what a phone keeps belongs to the address it
          came from; a name stays, where the phone knows it.
        </p>
        <h2>Let in</h2>
        <p v-if="network.devices.length === 0" class="label">No device yet.</p>
        <ul class="devices">
          <li v-for="d in network.devices" :key="d.id">
            <UInput
              :model-value="d.name"
              variant="ghost"
              :aria-label="`Name of ${d.name}`"
              maxlength="60"
              @change="takeName(d, $event)"
            />
            <span class="label">since {{ day(d.pairedAt) }}, last here {{ day(d.seenAt) }}</span>
            <UButton icon="i-lucide-log-out" :disabled="busy" @click="askOrTurnAway(d)">
              {{ asked === d.id ? 'Really: it gets nothing more' : 'Turn away' }}
            </UButton>
          </li>
        </ul>
        <p class="label">
          A lost phone: turn it away here. What it keeps of its own stays on it; it gets nothing more and
          sends nothing more.
        </p>
      </section>
    </div>
  </main>
</template>

<style scoped>
.take {
  min-height: 100vh;
  display: flex;
  flex-direction: column;
}
header {
  display: flex;
  flex-wrap: wrap;
  gap: 6px 20px;
  align-items: center;
  padding: 8px 16px;
  border-bottom: var(--line-weight) solid var(--ink);
}
.mark {
  font-size: 19px;
  font-weight: 700;
}
h1 {
  font-size: 22px;
  font-weight: 600;
  flex: 1;
}
.shut {
  max-width: 40rem;
  padding: 40px 24px;
  display: grid;
  gap: 16px;
  justify-items: start;
  font-size: 19px;
  line-height: 1.4;
}
.both {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(300px, 440px) minmax(0, 1fr);
}
.code {
  display: grid;
  align-content: start;
  justify-items: center;
  gap: 8px;
  padding: 24px;
  border-right: var(--line-weight) solid var(--hair-strong);
}
.qr {
  width: min(100%, 360px);
}
.big {
  font-size: 44px;
  font-weight: 600;
  letter-spacing: 0.06em;
}
.done {
  font-size: 24px;
  font-weight: 600;
  padding: 40px 0 12px;
}
.steps {
  padding: 18px 28px;
  max-width: 46rem;
}
h2 {
  font-size: 18px;
  font-weight: 600;
  margin: 8px 0 4px;
}
ol {
  list-style: decimal;
  padding-left: 24px;
  font-size: 18px;
  line-height: 1.35;
  margin-bottom: 14px;
}
ol li {
  padding: 5px 0;
}
ol code {
  display: block;
  font-size: 17px;
  font-weight: 600;
  letter-spacing: 0.04em;
}
.devices li {
  display: grid;
  grid-template-columns: minmax(120px, 200px) minmax(0, 1fr) auto;
  gap: 10px;
  align-items: center;
  padding: 6px 0;
  border-top: 1px solid var(--hair);
}
.bad {
  color: var(--wrack);
  padding: 8px 16px;
}
@media (max-width: 899px) {
  .both {
    grid-template-columns: minmax(0, 1fr);
  }
  .code {
    border-right: 0;
    border-bottom: var(--line-weight) solid var(--hair-strong);
  }
  .steps {
    padding: 12px 16px;
  }
  .devices li {
    grid-template-columns: minmax(0, 1fr) auto;
  }
}
</style>
