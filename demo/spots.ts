import { SALINITY_GKG } from '#core'
import type { SpotContent } from '#schemas/spot'

/** Spots of the made-up Dunecrest coast. */
export const DEMO_SPOTS: readonly { readonly name: string, readonly content: SpotContent }[] = [
  { name: 'Eelgrass flat', content: { water: 'Marrowgrass Lagoon', depthM: 0.7, cover: 'thickWeed', bottom: 'shell', salinityGKg: SALINITY_GKG.salt, species: 'seaBass', prey: 'sandEel', clarity: 'clear', tide: 0.5, currentMS: 0.2, lat: 0.4102, lon: -0.2031, notes: 'Quiet water behind the bar. Bass come up over the grass in the last two hours of the flood.' } },
  { name: 'Channel mouth', content: { water: 'Marrowgrass Lagoon', depthM: 4.5, cover: 'open', bottom: 'sand', salinityGKg: SALINITY_GKG.salt, species: 'seaBass', prey: 'sandEel', clarity: 'clear', tide: 1, currentMS: 0.7, lat: 0.4127, lon: -0.2055, notes: 'Runs hard from the second hour of the ebb.' } },
  { name: 'Kelp gully', content: { water: 'Cinder Steps', depthM: 6.5, cover: 'boulders', bottom: 'rock', salinityGKg: SALINITY_GKG.salt, species: 'pollack', prey: 'sandEel', clarity: 'clear', tide: 1, currentMS: 0.35, lat: 0.4391, lon: -0.2412, notes: 'Pollack off the edge, wrasse in it. Mind the swell.' } },
  { name: 'Rock shelf', content: { water: 'Cinder Steps', depthM: 7, cover: 'open', bottom: 'rock', salinityGKg: SALINITY_GKG.salt, species: 'wrasse', prey: 'crab', clarity: 'clear', tide: 1, currentMS: 0.3, lat: 0.4387, lon: -0.2405, notes: 'Clean rock, few weeds, crabs in the cracks.' } },
  { name: 'Sluice pilings', content: { water: 'Old Sluice Basin', depthM: 5, cover: 'pilings', bottom: 'mud', salinityGKg: SALINITY_GKG.brackish, species: 'zander', prey: 'smallFish', clarity: 'stained', tide: 0, currentMS: 0.1, lat: 0.3975, lon: -0.1602, notes: 'Along the third row of piles.' } },
  { name: 'Silt basin', content: { water: 'Old Sluice Basin', depthM: 5, cover: 'open', bottom: 'mud', salinityGKg: SALINITY_GKG.brackish, species: 'zander', prey: 'worm', clarity: 'stained', tide: 0, currentMS: 0, lat: 0.3971, lon: -0.1596, notes: 'Deep silt; in the cold they lie here.' } },
  { name: 'Drowned willow', content: { water: 'Heronmere', depthM: 3.5, cover: 'wood', bottom: 'mud', salinityGKg: SALINITY_GKG.fresh, species: 'pike', prey: 'smallFish', clarity: 'stained', tide: 0, currentMS: 0, lat: 0.3754, lon: -0.1418, notes: 'The crown lies to the east.' } },
  { name: 'Weed mat', content: { water: 'Heronmere', depthM: 2, cover: 'mat', bottom: 'mud', salinityGKg: SALINITY_GKG.fresh, species: 'pike', prey: 'frog', clarity: 'stained', tide: 0, currentMS: 0, lat: 0.3749, lon: -0.1425, notes: 'Drifts with the wind; holes along the reed edge.' } },
]
