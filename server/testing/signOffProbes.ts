import type { Endpoints } from '@calm-apron/contract'
import type { Probe } from './probes.ts'
import { newId } from './serve.ts'
import { MADE_ON, THERE, always, at } from './trainingProbes.ts'
import { PIN } from './world.ts'

/** A decision on facts that nobody saw. */
const DECIDED = {
  kind: 'decided',
  outcomes: [{ part: 'ticks', result: 'shown' }],
  proposed: [{ part: 'ticks', result: 'shown' }],
  digest: 'of nothing',
  rulesVersion: 0,
}

type OfSignOffs =
  | 'getSignOffs'
  | 'listAssessments'
  | 'getAssessment'
  | 'putAssessmentEvent'
  | 'signAssessment'

/** A row for every route of sign-off. */
export const SIGN_OFF_PROBES = {
  getSignOffs: [{ ask: ({ personId }) => ({ params: { personId } }), answers: THERE }],
  listAssessments: [{ ask: always, answers: 200 }],
  getAssessment: [{ ask: ({ assessmentId }) => ({ params: { assessmentId } }), answers: THERE }],
  // Nobody ticks off, or signs, their own.
  putAssessmentEvent: [
    {
      ask: ({ asker, assessmentId }) => ({
        params: { assessmentId, eventId: newId() },
        body: { by: asker.personId, at, happening: { kind: 'ticked', ticks: [] }, text: '' },
      }),
      answers: { ...MADE_ON, own: 403 },
    },
  ],
  signAssessment: [
    {
      ask: ({ assessmentId }) => ({
        params: { assessmentId, eventId: newId() },
        body: { at, happening: DECIDED, text: '', by: 'pin', secret: PIN },
      }),
      answers: { own: 403, 'other’s': 412, 'other academy’s': 404, missing: 404 },
    },
  ],
} satisfies Pick<Record<keyof Endpoints, Probe[]>, OfSignOffs>
