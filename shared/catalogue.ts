/** What the interface lists and steps through, and the units it shows: tables of the core, no computation. */
export {
  ACTIVITIES, BAIT_FORMS, baitKey, bookOf, compare, evidenceOf, fallWords, fitAll, fitDrops, harmonicTide, kindKey, placeKey, rigKey, simulatedWeather, turnsBetween, updated, wilson, binEdgeM, CLARITIES, coloursOf, FACTOR_IDS, FACTOR_NAMES, LIGHTS, PREY, PREY_IDS, SPECIES, SPECIES_IDS, COMPUTED_FACTORS, castable, overlaps, secondsTo, zoneOf, BOTTOM_IDS, BOTTOMS, CAST_M, COVER_IDS, COVERS, FAMILIES, FEEDING, FEEDING_IDS, MATCHES, RETRIEVE_IDS, RETRIEVES, RODS, SIZE_BINS, FAMILY_GROUPS, FAMILY_IDS, FORM_IDS, GRAM_STEPS_KG, guardOf, HOOK_SIZES, KEEPER_IDS, KEEPERS, LIMITS, LINE_KINDS,
  LINE_STOCKS, LINE_STRENGTHS_LB, OUNCE_LADDER, OUNCE_STEPS_KG, PLASTIC_IDS, PLASTICS, SALINITY_GKG, SALINITY_RANGE_GKG, SAMPLE_S, SAMPLE_STRIDE, SNAG_DRAWS, LOOKS_EVERY, LINE_EVERY, LINE_MARKS, ROD_TIP_M,
  stepWeight, touchTally, asInOpenWater, ballSeconds, densityByFloating, densityByWeighing, underWaterKg, fitsVessel, shownAcrossM, tapLag, wallSlowing, waterOf, STREAM_RANGE_MS, TEMPERATURE_RANGE_C, typicalHook, USUAL_LEADER_M, WEIGHT_MATERIALS, WIRE_GRADES, PARAMETERS, USUAL_UTILITY, UTILITY_IDS, SURELY, utilityOf, measureOf, meanOf, shareOf,
} from '#core'
export {
  cToF, degToRad, fToC, fromHeadingPitchRoll, ftToM, gToKg, inToM, kgToG, kgToOz, lbfToN, mmToM, mToFt, mToIn, mToMm, nToLbf, ozToKg, pitchOf, radToDeg, rollOf, rotate,
} from '#core'
export { csvLine } from './cells'
export { dropRows, dropsCsv } from './dropRecord'
