import { ask } from './api'
import { changesLoaded } from './changes'

/**
 * What the server has, for laying this device's own changes over it. It is asked at once: what waits on the device
 * is read meanwhile.
 * @param later takes the server's answer where it came after what this device keeps was shown
 * @throws ServerRefusal
 */
export async function askBeside<T>(path: string, later?: (answer: T) => void): Promise<T> {
  const [answer] = await Promise.all([
    ask<T>(path, 'GET', undefined, later ? { later } : {}),
    changesLoaded(),
  ])
  return answer
}
