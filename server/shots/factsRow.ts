import { NOTED_VERSION, type ShotInput, upcastNotes } from '@calm-apron/contract'
import { type DoseSeen, type Weighing, isCountMethod, isDoseSeen } from '@calm-apron/core'
import type { InferInsertModel, InferSelectModel } from 'drizzle-orm'
import type { shotRevision } from '../database/schema/index.ts'

/** Facts as the contract says them. */
export type StoredFacts = ShotInput['facts']
type RevisionRow = InferSelectModel<typeof shotRevision>
/** What a row says beside its facts. */
type OtherColumns =
  | 'academyId'
  | 'revisionId'
  | 'shotId'
  | 'revisionNo'
  | 'bodyDigest'
  | 'reasonTextId'
  | 'judgedBy'
  | 'isJudgeTeaching'
  | 'recordedAt'
  | 'receivedAt'
  | 'noteTextId'
/** The columns of the facts as they were found. */
export type FactsRow = Omit<RevisionRow, OtherColumns>
/** Every column of the facts: one that is not filled does not compile. */
type FactColumns = Omit<Required<InferInsertModel<typeof shotRevision>>, OtherColumns>

/** Facts as the columns they are stored in. */
export function toColumns(facts: StoredFacts): FactColumns {
  const dose = weighingColumns(isDoseSeen(facts.dose) ? null : facts.dose)
  const cup = weighingColumns(facts.cup)
  return {
    grindSetting: facts.grindSetting,
    grinderPurged: facts.grinderPurged,
    machineHot: facts.machineHot,
    basketDry: facts.basketDry,
    basketClean: facts.basketClean ?? null,
    rightBasket: facts.rightBasket,
    bedEven: facts.bedEven,
    doseNetG: dose.netG,
    doseGrossG: dose.grossG,
    doseTareG: dose.tareG,
    doseVesselId: dose.vesselId,
    ...doseSeenColumns(facts.dose),
    tampTilt: facts.tamp.tilt,
    tampLowSide: facts.tamp.lowSide,
    tampSettled: facts.tamp.settled,
    firstDrop: facts.clock?.firstDrop ?? null,
    firstDropS: facts.clock?.firstDropS ?? null,
    preinfusionEndS: facts.clock?.preinfusionEndS ?? null,
    stopS: facts.clock?.stopS ?? null,
    lastDripS: facts.clock?.lastDripS ?? null,
    timesEstimated: facts.clock?.estimated ?? null,
    cupNetG: cup.netG,
    cupGrossG: cup.grossG,
    cupTareG: cup.tareG,
    cupVesselId: cup.vesselId,
    abandoned: facts.abandoned,
    ...facts.taste,
    ...facts.look,
    doseWantedG: facts.wanted?.doseG ?? null,
    yieldWantedG: facts.wanted?.yieldG ?? null,
    tasteWanted: facts.wanted?.taste ?? null,
    cupMl: facts.measured?.cupMl ?? null,
    tampForceN: facts.measured?.tampForceN ?? null,
    leadG: facts.measured?.leadG ?? null,
    noted: facts.noted ? { ...facts.noted } : null,
    notedVersion: NOTED_VERSION,
  }
}

/** Columns as the facts they were stored from. */
export function toFacts(row: FactsRow): StoredFacts {
  return {
    grindSetting: row.grindSetting,
    grinderPurged: row.grinderPurged,
    machineHot: row.machineHot,
    basketDry: row.basketDry,
    rightBasket: row.rightBasket,
    bedEven: row.bedEven,
    dose: toDoseSeen(row) ?? toWeighing(row.doseNetG, row.doseGrossG, row.doseTareG, row.doseVesselId),
    tamp: { tilt: row.tampTilt, lowSide: row.tampLowSide, settled: row.tampSettled },
    clock: toClock(row),
    cup: toWeighing(row.cupNetG, row.cupGrossG, row.cupTareG, row.cupVesselId),
    abandoned: row.abandoned,
    taste: { sour: row.sour, sweet: row.sweet, bitter: row.bitter, body: row.body, dryness: row.dryness },
    look: { stream: row.stream, puck: row.puck },
    ...(row.basketClean !== null && { basketClean: row.basketClean }),
    ...wantedOf(row),
    ...measuredOf(row),
    ...(row.noted !== null && { noted: upcastNotes(row.noted, row.notedVersion) }),
  }
}

function wantedOf({ doseWantedG, yieldWantedG, tasteWanted }: FactsRow): Pick<StoredFacts, 'wanted'> {
  if (doseWantedG === null && yieldWantedG === null && tasteWanted === null) return {}
  const taste = tasteWanted === null ? {} : { taste: tasteWanted }
  return { wanted: { doseG: doseWantedG, yieldG: yieldWantedG, ...taste } }
}

function measuredOf({ cupMl, tampForceN, leadG }: FactsRow): Pick<StoredFacts, 'measured'> {
  if (cupMl === null && tampForceN === null && leadG === null) return {}
  return { measured: { cupMl, tampForceN, leadG } }
}

interface WeighingColumns {
  netG: number | null
  grossG: number | null
  tareG: number | null
  vesselId: string | null
}

function weighingColumns(weighing: Weighing | null): WeighingColumns {
  const empty: WeighingColumns = { netG: null, grossG: null, tareG: null, vesselId: null }
  if (weighing === null) return empty
  return weighing.by === 'net'
    ? { ...empty, netG: weighing.netG }
    : { ...empty, grossG: weighing.grossG, tareG: weighing.tareG, vesselId: weighing.vesselId }
}

function doseSeenColumns(
  dose: StoredFacts['dose'],
): Pick<FactColumns, 'doseSeenBy' | 'doseSeenAt' | 'doseCount'> {
  if (dose?.by === 'mark') return { doseSeenBy: dose.mark, doseSeenAt: dose.at, doseCount: null }
  if (dose?.by === 'count') return { doseSeenBy: dose.of, doseSeenAt: null, doseCount: dose.count }
  return { doseSeenBy: null, doseSeenAt: null, doseCount: null }
}

function toDoseSeen({ doseSeenBy: by, doseSeenAt: at, doseCount: count }: FactsRow): DoseSeen | null {
  if (by === null || by === 'scale') return null
  if (isCountMethod(by)) return count === null ? null : { by: 'count', of: by, count }
  return at === null ? null : { by: 'mark', mark: by, at }
}

function toWeighing(
  net: number | null,
  grossG: number | null,
  tareG: number | null,
  vesselId: string | null,
): Weighing | null {
  if (net !== null) return { by: 'net', netG: net }
  return grossG !== null && tareG !== null ? { by: 'gross', grossG, tareG, vesselId } : null
}

function toClock({
  firstDrop,
  firstDropS,
  preinfusionEndS,
  stopS,
  lastDripS,
  timesEstimated,
}: FactsRow): StoredFacts['clock'] {
  if (firstDrop === null || stopS === null || timesEstimated === null) return null
  const later = {
    ...(preinfusionEndS !== null && { preinfusionEndS }),
    ...(lastDripS !== null && { lastDripS }),
  }
  return { firstDrop, firstDropS, stopS, estimated: timesEstimated, ...later }
}
