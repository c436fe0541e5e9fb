/** The public face of the core; nothing else is imported from outside it. */
export * from './constants'
export * from './outcome'
export * from './units'
export * from './choose/evaluateBare'
export * from './choose/conditions'
export * from './choose/evaluateRig'
export { onSurface, reachOf } from './snag/onTop'
export { BLOW_UPS_MISSED, floats, fromBelow, rideOnTop } from './choose/evaluateOnTop'
export { bestOnTop, WORTH_A_LOOK, type OnTopPick } from './choose/onTop'
export { bodiesOfRig } from './choose/bodies'
export { amongOf, ensembleAfter, isLearned, teach } from './choose/among'
export { dropPrepared, ownersOf, prepareRig, USUAL_SEED, type PreparedRig } from './choose/prepareRig'
export { learnFrom } from './choose/learn'
export type { Learned, LoggedRig } from './evidence/learned'
export type { Posterior } from './uncertainty/posterior'
export * from './choose/verdict'
export * from './choose/utility'
export { settlesOf, TESTS, type Settle, type TestId } from './choose/settle'
export * from './uncertainty/parameters'
export * from './uncertainty/ensemble'
export * from './uncertainty/members'
export { dropRig, SAMPLE_STRIDE, STEP_S, type Drop, type DropFailure, type DropOptions } from './fall/drop'
export type { Rest } from './fall/rest'
export { cutRig } from './fall/bend/cut'
export { dropBent, type BentDrop } from './fall/bend/dropBent'
export { posesOf, type Pose, type Poses } from './choose/poses'
export type { Quiver } from './fall/bend/quiver'
export { bentFall, type BentFailure, type BentFall, type BentLink } from './choose/bentFall'
export { dropTethered, type TetheredDrop } from './fall/dropTethered'
export type { TetheredWeight } from './fall/tether'
export { ROD_TIP_M, type LineHold, type RodLift } from './fall/lineHold'
export { LINE_MARKS } from './fall/holdLine'
export { LINE_EVERY, SAMPLE_S } from './fall/recorder'
export { STREAM_RANGE_MS, type Stream } from './water/stream'
export { DEFAULT_FACTORS, FALL_FACTORS } from './fall/factors'
export { hydroBody, type HydroBody } from './fall/hydroBody'
export { secondsTo, summarize, type FallSummary } from './fall/summary'
export * from './fall/vessel'
export { trimFall, type Trim } from './fall/trim'
export { fallAtCentre, type FallResult } from './fall/evaluateFall'
export type { DoubtId } from './fall/fallDoubts'
export { evaluateFit, type FitResult } from './fit/evaluateFit'
export type { Holding } from './fit/holdRules'
export { findSize, type Instead, type SizeAnswer, type SizeFit } from './fit/findSize'
export { benchDimensions, type BenchDimensions } from './fit/dimensions'
export { riggingGuide, type RiggingGuide, type RigMark } from './fit/guide'
export { MOST_CROOKED_M, straightness, type Straightness } from './fall/straightness'
export { tightestOf, type FitRule, type RuleOf, type Verdict as FitVerdict } from './fit/rules'
export { bestChanges, changesAmong, type Change, type ChangeId, type DoubtfulChange } from './strike/changes'
export { evaluateStrike, takeOf, type Loss, type StrikeResult } from './strike/evaluateStrike'
export { biteChain, LOSSES, type Bite, type BiteChain, type LossId } from './strike/chain'
export { biteCourse, momentOf, type BiteCourse } from './strike/course'
export { biteOf, drawFish, middlingBite, type Fish } from './strike/fish'
export type { StrikeDoubtId } from './strike/strikeMembers'
export { retrievePosture, SLOW_RETRIEVE } from './fall/retrieve'
export {
  FEEDING,
  FEEDING_IDS,
  MATCHES,
  strikeRig,
  type FeedingId,
  type MatchId,
  type StrikeRig,
  type Tackle,
} from './strike/bite'
export {
  fromHeadingPitchRoll,
  rotate,
  pitchOf,
  rollOf,
  type Quaternion,
  type Vec3,
} from './numerics/quaternion'
export {
  FAMILIES,
  looseFamilies,
  FAMILY_GROUPS,
  FAMILY_IDS,
  USUAL_LEADER_M,
  type Family,
  type FamilyGroup,
} from './rig/families'
export { guardOf } from './rig/guard'
export { KEEPER_IDS, KEEPERS, type KeeperId } from './tackle/keepers'
export { Z90 } from './numerics/statistics'
export { STANDARD_GRAVITY } from './fall/loads'
export { REST_DEPTH_M } from './rig/placement'
export { assembleBareBait, assembleRig, type AssembledRig } from './rig/assemble'
export { bareWeight } from './rig/simpleBodies'
export { drawRig, type RigDrawing, type DrawnShape } from './rig/drawing'
export { solidOf, STATION_STRIDE, type RigSolid, type SolidLump } from './rig/solid'
export { problemsOf, problemsOfBait } from './rig/problems'
export {
  LIMITS,
  type BaitSpec,
  type FamilyId,
  type GuardId,
  type OwnOutline,
  type PointRest,
  type Problem,
  type RigSpec,
} from './rig/spec'
export {
  BOTTOM_IDS,
  BOTTOMS,
  COVER_IDS,
  COVERS,
  obstaclesOf,
  type BottomId,
  type CoverId,
  type Placed,
  type ThingLook,
} from './snag/cover'
export {
  binEdgeM,
  castThrough,
  DRAWS as SNAG_DRAWS,
  meetOn,
  SIZE_BINS,
  snagTally,
  type CastMeeting,
  type SnagResult,
  type SnagTally,
} from './snag/evaluateSnag'
export { CAST_M, LOOKS_EVERY } from './snag/hour'
export { snagDoubts, type SnagDoubtId } from './snag/snagMembers'
export { snagRig, type CatchSiteId, type SnagRig } from './snag/catchSite'
export type { CloseUp, Fate, Ride } from './snag/meet'
export { RETRIEVE_IDS, RETRIEVES, type RetrieveId } from './snag/retrieve'
export { leaderFor, rubsOf, type Leader, type LeaderReason } from './choose/leader'
export { coveredMS, SIGHT_M } from './choose/aim'
export { evaluateOnTop, type OnTopReport } from './choose/evaluateOnTop'
export { afloat, type Afloat } from './float/afloat'
export type { OnRaft } from './float/raft'
export { airBody, type Flight } from './cast/airBody'
export { CAST_GSD, evaluateCast, type CastPlace, type CastResult, type Wind } from './cast/evaluateCast'
export type { CastingRod, MeasuredCast } from './cast/launch'
export type { Splash, SplashKind } from './cast/splash'
export { RODS, type RodPower } from './tackle/rods'
export { fallWayOf, onPath, retrievePath, type Leg } from './snag/way'
export { normal, seededRandom } from './numerics/random'
export { makeRecall, type Recall } from './numerics/recall'
export { BAIT_FORMS, FORM_IDS, type FormId } from './tackle/forms'
export {
  HOOK_SIZES,
  typicalHook,
  WIRE_GRADES,
  type HookDims,
  type HookSize,
  type HookStyle,
  type WireGrade,
} from './tackle/hooks'
export * from './tackle/density'
export {
  LINE_KINDS,
  LINE_STOCKS,
  LINE_STRENGTHS_LB,
  lineFromLb,
  lineOf,
  type Line,
  type LineKind,
} from './tackle/lines'
export { PLASTICS, PLASTIC_IDS, type PlasticId } from './tackle/materials'
export {
  GRAM_LADDER,
  GRAM_STEPS_KG,
  OUNCE_LADDER,
  OUNCE_STEPS_KG,
  stepWeight,
  WEIGHT_MATERIALS,
  weightSize,
  type WeightMaterial,
  type WeightShape,
} from './tackle/weights'
export {
  SALINITY_GKG,
  SALINITY_RANGE_GKG,
  TEMPERATURE_RANGE_C,
  waterOf,
  type Water,
  type WaterKind,
} from './water/water'
export * from './choose/fish'
export * from './choose/day'
export * from './choose/goods'
export * from './choose/score'
export { castable, type Limit, type LimitId } from './choose/limits'
export { lineFor, rigOf, screen, together, type Candidate, type Share, type Search } from './choose/screen'
export { rememberedBy, searchMemory, type SearchMemory } from './choose/memory'
export {
  account,
  finalistsAfter,
  firstAmong,
  IN_FULL,
  ranked,
  ROUNDS,
  UNITS,
  choose,
  conclude,
  elaborate,
  fieldOf,
  finalistsAmong,
  inOrder,
  SCREENING,
  seenWith,
  sizeOf,
  type Choice,
  type ChooseOptions,
  type Field,
} from './choose/choose'
export { lookCloser } from './choose/closer'
export { finish, outfitFor, cadencesOf, type Finalist } from './choose/finish'
export { paretoSet } from './choose/pareto'
export { weightSteps, type WeightStep } from './choose/sizing'
export type { DayChange, Gain, NothingId, PickFigures, WayCost, WhatIf, WhyNot } from './choose/reasons'
export { figuresOf } from './choose/reasons'
export * from './trip/tide'
export { oddRows, type TableTurn } from './trip/tideTable'
export { CONSTITUENTS, type ConstituentName, type TideConstant } from './trip/tideConstants'
export { tideOf, weatherOf, type OwnTide } from './trip/sources'
export * from './trip/weather'
export {
  dayAt,
  layOutTrip,
  momentsOf,
  planOf,
  toLookThrough,
  type Change as TripChange,
  type InHand,
  type Moment,
  type PlanRod,
  type Stop,
  type TripLayout,
  type TripPlan,
} from './trip/plan'
export * from './evidence/tally'
export * from './evidence/drops'
export { dropModel } from './choose/dropModel'
export type { FallEvidence } from './fall/measured'
export * from './evidence/keys'
export * from './evidence/book'
export {
  CAUSES,
  lostBySlack,
  readTouches,
  tailTaker,
  type CauseId,
  type TouchReading,
  type Touches,
} from './evidence/touches'
export { wilson } from './numerics/statistics'
export { KNOT_IDS, KNOTS, type Knot, type KnotId, type KnotStep } from './tying/knots'
export { crossingsOf, smooth, type Crossing, type Strand } from './tying/strand'
export { assemblyOf, type Assembly, type LeaderAhead, type ThreadPart } from './tying/assembly'
export { knotKeeps, type KnotTest } from './tying/keeps'
export { toTheEnd } from './numerics/toTheEnd'
