import type { AgreementWith, BesideSkill, ShotSummary, Slip } from '@calm-apron/contract'
import {
  type DoubleTasting,
  SESSION_DEFAULTS,
  TASTE_AXES,
  inSessions,
  tastingAgreement,
  weighedDoseG,
} from '@calm-apron/core'
import type { AcademyTransaction } from '../database/pool.ts'
import { slipsOf } from '../tasting/queries.ts'

/** How far apart sour and bitter may be in a cup that both call balanced. */
const BALANCED_WITHIN = 2
/** Of fewer cups tasted by both nothing is said. */
const LEAST_CUPS = 5
/** As many as say how it goes of late. */
const SHOWN_RATINGS = 12

/** What of a person lies beside their skill. @param summaries newest first */
export async function besideOf(
  transaction: AcademyTransaction,
  summaries: readonly ShotSummary[],
): Promise<Omit<BesideSkill, 'dialIn'>> {
  const slips = await slipsOf(
    transaction,
    summaries.map(({ shotId }) => shotId),
  )
  const byTrainer = new Map<string, DoubleTasting[]>()
  for (const { trainerId, ...tasting } of doubleTastings(slips))
    byTrainer.set(trainerId, [...(byTrainer.get(trainerId) ?? []), tasting])
  return {
    agreement: [...byTrainer]
      .filter(([, cups]) => cups.length >= LEAST_CUPS)
      .map(([trainerId, cups]) => agreementOf(trainerId, cups)),
    ownRatings: summaries
      .flatMap(({ current }) => current.facts.noted?.selfRating ?? [])
      .slice(0, SHOWN_RATINGS)
      .toReversed(),
    spent: {
      shots: summaries.length,
      grams: summaries.reduce((sum, { current }) => sum + (weighedDoseG(current.facts) ?? 0), 0),
      minutes: minutesOf(summaries),
    },
  }
}

/** Cups that both sides noted before they could see each other, with which trainer. */
function doubleTastings(slips: readonly Slip[]): (DoubleTasting & { trainerId: string })[] {
  const newest = new Map<string, Slip>()
  for (const slip of slips) if (slip.isBlind) newest.set(`${slip.shotId} ${slip.side}`, slip)
  return [...newest.values()].flatMap((own) => {
    const other = own.side === 'trainee' ? newest.get(`${own.shotId} trainer`) : undefined
    if (own.taste === null || other?.taste == null) return []
    return [{ trainerId: other.filledBy, taster: own.taste, reference: other.taste }]
  })
}

function agreementOf(trainerId: string, cups: readonly DoubleTasting[]): AgreementWith {
  const { axes, verdict } = tastingAgreement(cups, BALANCED_WITHIN)
  const known = TASTE_AXES.map((axis) => ({ axis, ...axes[axis] }))
  const differences = known.flatMap(({ meanDifference }) => meanDifference ?? [])
  const [most] = known
    .flatMap(({ axis, bias }) => (bias === null ? [] : [{ axis, by: bias }]))
    .sort((a, b) => Math.abs(b.by) - Math.abs(a.by))
  const { kappa, low, high } = verdict
  return {
    trainerId,
    cups: cups.length,
    meanDifference:
      differences.length === 0 ? null : differences.reduce((sum, each) => sum + each, 0) / differences.length,
    leans: most ?? null,
    kappa: kappa === null || low === null || high === null ? null : { is: kappa, low, high },
  }
}

/** Time at the bar: from the first to the last shot of each session, and what one takes. */
function minutesOf(newestFirst: readonly ShotSummary[]): number {
  const minutes = inSessions(newestFirst.toReversed()).map((session) => {
    const [first, last] = [session[0], session.at(-1)].map((shot) => Date.parse(shot?.pulledAt ?? ''))
    return ((last ?? 0) - (first ?? 0)) / 60_000 + SESSION_DEFAULTS.minutesPerShot
  })
  return Math.round(minutes.reduce((sum, each) => sum + each, 0))
}
