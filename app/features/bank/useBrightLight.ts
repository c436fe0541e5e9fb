import { onScopeDispose } from 'vue'
import { useSettings } from '~/ui/settings'

/** Light sensors as browsers that have them offer them (W3C Ambient Light Sensor). */
interface LightSensor extends EventTarget {
  readonly illuminance: number
  start: () => void
  stop: () => void
}
type LightSensorClass = new (options: { frequency: number }) => LightSensor

/** Full daylight, and well into shade again: between them what is seen stays as it is, lx. */
const BRIGHT_LX = 10_000
const SHADE_LX = 3_000

/**
 * While it is used the page is worn for glare in bright light, and as it was chosen in shade; a theme that is chosen
 * meanwhile stands. A browser without a light sensor, or one that may not read it, changes nothing.
 */
export function useBrightLight(): void {
  const settings = useSettings()
  const { AmbientLightSensor } = globalThis as { AmbientLightSensor?: LightSensorClass }
  if (!AmbientLightSensor) return
  let sensor: LightSensor
  try {
    sensor = new AmbientLightSensor({ frequency: 1 })
  } catch {
    // forbidden by the browser: one tap does it
    return
  }
  sensor.addEventListener('reading', () => {
    if (sensor.illuminance > BRIGHT_LX) settings.bright = true
    else if (sensor.illuminance < SHADE_LX) settings.bright = false
  })
  sensor.start()
  onScopeDispose(() => {
    sensor.stop()
    settings.bright = false
  })
}
