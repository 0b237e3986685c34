/** The engine's public face. Everything here is pure: no clock, no files, no chance without a seed. */
export * from './calendar/day.ts';
export * from './garden.ts';
export * from './watering.ts';
export { BREATHES_FROM, MATERIAL_TABLE } from './catalogue/materials.ts';
export { FORM_TABLE } from './catalogue/forms.ts';
export { PLACE_TABLE } from './catalogue/places.ts';
export * from './catalogue/signs.ts';
export * from './catalogue/ways.ts';
export { type CanFeed, type CanLine, canLines, type CanPot } from './feed/can.ts';
export * from './numeric/curves.ts';
export { seededRandom, seedFrom, standardNormal, type Random } from './numeric/random.ts';
export { COMPONENTS, type Component, componentsOf } from './mix/components.ts';
export { blendMix, type Blend } from './mix/blend.ts';
export { mixCharacter, type MixCharacter } from './mix/character.ts';
export * from './mix/recipes.ts';
export * from './mix/solver.ts';
export * from './mix/batch.ts';
export * from './mix/measured.ts';
export * from './mix/amend.ts';
export * from './mix/substitutes.ts';
export { phBand } from './mix/phBand.ts';
export * from './forecast/drying.ts';
export { waterAt as waterOfComponentAt } from './mix/retention.ts';
export { mixReport, type MixReport } from './mix/report.ts';
export { MIX_WARNINGS, type MixWarning, mixWarnings } from './mix/warnings.ts';
export { potCapacity, type Capacity } from './pot/capacity.ts';
export * from './pot/shape.ts';
export { GENERA, genusOf, type Genus, type Caution } from './plant/genera.ts';
export * from './plant/lastMonths.ts';
export * from './plant/library.ts';
export * from './plant/synonyms.ts';
export * from './season/restPlace.ts';
export { speciesOf, type SpeciesTraits } from './plant/species.ts';
export { traitsOf, type Told, type Traits, type SourcedTraits, type TraitSource } from './plant/traits.ts';
export { asKept, readKept } from './plant/kept.ts';
export { intervalSteps, type IntervalStep, STEP_HOLD_DAYS, STEP_M } from './plant/interval.ts';
export * from './plant/firstDrink.ts';
export { stretchSign } from './plant/stretch.ts';
export { nameParts, type NamePart } from './plant/name.ts';
export { placeDefaults, usualAir } from './place/defaults.ts';
export { directSun, nightAtC, sunOnSkins } from './place/sun.ts';
export { saturationVapourKPa } from './sky/vapour.ts';
export { normalDay } from './sky/normals.ts';
export * from './sky/sense.ts';
export { dayLengthH } from './sky/solar.ts';
export { drawWeather, type DrawnDay } from './sky/generator.ts';
export * from './moisture.ts';
export { GardenForecast, type Outlook, type Band } from './forecast/forecast.ts';
export { inShare, type Share, type Teaching, WHOLE } from './belief/teaching.ts';
export { type PlantForecast } from './judgement/plantForecast.ts';
export * from './judgement/deeds.ts';
export { answersTo, LOOK_ANSWERS } from './judgement/lookAnswers.ts';
export { promised, type Trial } from './judgement/promised.ts';
export { nightItBearsC, nightItWillBearC } from './plant/bears.ts';
export { NATURES, type Nature, natureOf } from './plant/nature.ts';
export { type Bench, benchesOf, benchFor, type Stands, type Unfit, unfitness } from './judgement/benches.ts';
export { type Hold } from './forecast/window.ts';
export { type ChangeKind } from './belief/change.ts';
export { UPSET_KINDS, type UpsetKind } from './belief/upsets.ts';
export { type LookKind } from './belief/looks.ts';
export { THIRST_WORDS, WET_FEET_WORDS, type ThirstWord, type WetFeetWord } from './drydown/stress.ts';
export { gardenTasks } from './judgement/garden.ts';
export { buildPlant, dueMoisture, stateOn } from './forecast/plantModel.ts';
export { dryStep } from './drydown/step.ts';
export { pour, wet } from './drydown/wetting.ts';
export { GRID } from './belief/grid.ts';
export * from './forecast/almanac.ts';
export * from './forecast/yearDeeds.ts';
export * from './forecast/movesAhead.ts';
export * from './forecast/moveWeeks.ts';
export * from './forecast/placeOutlook.ts';
export { kernelPots, kernelWeather, putPot, WEEKS_AHEAD, weeklyWaterings } from './forecast/load.ts';
export { yearKernel, type KernelPots, type KernelWeather } from './drydown/yearKernel.ts';
export { type Reason as DateReason, type Factor } from './forecast/because.ts';
export { outlookView, type OutlookView, type BandSeries, type StateReason } from './forecast/view.ts';
export * from './feed/dose.ts';
export * from './feed/schedule.ts';
export * from './feed/salts.ts';
export * from './care/rules.ts';
export * from './care/hardening.ts';
export * from './potting/need.ts';
export * from './potting/size.ts';
export * from './potting/daughters.ts';
export * from './potting/aftercare.ts';
export * from './potting/bench.ts';
export * from './potting/weekends.ts';
export * from './potting/history.ts';
export * from './potting/shelf.ts';
export * from './care/light.ts';
export * from './care/placement.ts';
export * from './care/reminders.ts';
export { careTask, isCharged, type CareFacts, type CareTask } from './care/task.ts';
export { AFTER_CODES, afterMark, type AfterFacts, type AfterNote, type Finding } from './care/afterMark.ts';
export { afterBloom, BLOOM_CODES, type BloomCode } from './care/afterBloom.ts';
export { CUT_ROOTS_LOSS } from './forecast/window.ts';
export * from './clinic/apart.ts';
export * from './catalogue/causes.ts';
export * from './clinic/steps.ts';
export { CHECKS, CHECK_TABLE, checkOf, type Answer as CheckAnswer, type Check, type CheckId } from './clinic/checks.ts';
export {
  diagnose,
  believe,
  ROT_THRESHOLD,
  TELLS_FROM,
  type Diagnosis,
  type Evidence,
  type RankedCause,
} from './clinic/diagnose.ts';
export { type ClinicFacts, type ClinicSign, SIGN_DAYS } from './clinic/facts.ts';
export { SIGN_RULES, SOUND, GIVEN, type SignRule, type Given } from './clinic/signRules.ts';
export { HISTORY_RULES, HISTORY_CODES, type HistoryCode } from './clinic/historyRules.ts';
export { WATCH_CODES, type Raised, type WatchCode } from './clinic/watch.ts';
export * from './clinic/cases.ts';
export { type StepWaits, WAIT_CODES, type WaitCode } from './clinic/waits.ts';
export * from './clinic/worth.ts';
export { eventsOfStep, POTTING_STEPS, type StepDrink } from './clinic/stepEvents.ts';
export { type OddMark, senseCheck, type SenseFacts } from './care/senseCheck.ts';
export {
  ANY_PLANT,
  GAP_STEP,
  HOLD_DAYS,
  HOLDS_UNTIL_WATERED,
  PACE,
  PLANS,
  woundDays,
  type PlanFacts,
} from './clinic/plan.ts';
export { neighboursOf, pestsOf, pestsOn, type PestsByPlant } from './clinic/neighbours.ts';
export * from './clinic/answer.ts';
export type { ClinicView } from './judgement/facts.ts';
export { type KeptTask } from './care/task.ts';
export { clinicStrip, type ClinicStrip } from './clinic/strip.ts';
export { type Harms, type Poison, poisonOf, WHOM, type Whom } from './plant/poison.ts';
export { inspectionDays, SPOTS, type Spot, spotsOf } from './clinic/inspections.ts';
export type { NeighbourPest, Standing } from './plant/standing.ts';
