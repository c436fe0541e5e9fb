import { computed, onMounted } from 'vue'
import { simulatedWeather, tideOf } from '#core'
import { ask } from '~/sync/api'
import { useTides } from '~/sync/documents'
import { ownTideOf, tideAt } from '../../../shared/tide'
import type { Readings } from './useBank'

/** Longest wait for the sounder, ms: the taps must not wait for it. */
const SOUNDER_MS = 1500

/**
 * What instruments say at the water, and the tide that is gone by.
 * @param tideId the tide that was chosen, as by a trip
 */
export function useReadings(tideId: () => string | undefined) {
  const tides = useTides()
  onMounted(() => void tides.load())
  /** The tide of the trip, or of one's own the one that knows the moment, or the stand-in's. */
  const tideNow = computed(() => {
    const own = tides.byId.get(tideId() ?? '')
    return own ? tideOf(ownTideOf(own)) : tideAt(tides.list)(Date.now())
  })
  /**
   * Filled in from tide and stand-ins, as real instruments would; depth and temperature from the sounder where it is
   * on and can be reached.
   */
  async function readings(): Promise<Readings> {
    const sky = {
      tideM: tideNow.value.heightM(Date.now()),
      windMS: simulatedWeather('simulated').at(Date.now()).windMS,
    }
    const heard = await Promise.race([
      ask<{ reading?: { depthM?: number; temperatureC?: number } }>('/api/instruments/sounder').then(
        a => a.reading ?? {},
        () => ({}),
      ),
      new Promise<object>(resolve => setTimeout(() => resolve({}), SOUNDER_MS)),
    ])
    return { ...sky, ...heard }
  }

  return { tideNow, readings }
}
