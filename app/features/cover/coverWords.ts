import type { Fate, CatchSiteId } from '#core'

export const SITE_WORDS: Readonly<Record<CatchSiteId | 'wedged', string>> = {
  point: 'at the point',
  trailing: 'at the trailing hook',
  head: 'behind the head',
  eye: 'on the eye',
  keeper: 'on the keeper',
  knot: 'on the knot',
  skirt: 'in the skirt',
  blade: 'on the blade',
  wedged: 'head wedged',
  saddle: 'line over it, between bait and weight',
}
export const FATE_WORDS: Readonly<Record<Fate, string>> = {
  past: 'passes',
  weed: 'picks up weed',
  freed: 'hangs up, comes free',
  opened: 'hangs up, hook opens',
  lost: 'hangs up, rig lost',
}
