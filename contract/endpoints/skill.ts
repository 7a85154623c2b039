import { z } from 'zod'
import { id } from '../primitives.ts'
import { personSkill, skillList, takeHome, takeHomeInput } from '../skill.ts'
import { type Endpoint, none } from './endpoint.ts'

/** What people can do, as it was worked out last. */
export const SKILL_ENDPOINTS = {
  listSkill: {
    method: 'get',
    path: '/skill',
    summary: 'What everyone can do, in brief; to a trainee their own alone, without forecast.',
    action: 'see-skill',
    params: none,
    query: none,
    body: null,
    answer: skillList,
    problems: [],
  },
  getSkill: {
    method: 'get',
    path: '/people/{personId}/skill',
    summary: 'What one person can do, with the run of each skill; to themselves without forecast.',
    action: 'see-skill',
    params: z.strictObject({ personId: id }),
    query: none,
    body: null,
    answer: personSkill,
    problems: ['not-found'],
  },
  putTakeHome: {
    method: 'put',
    path: '/people/{personId}/take-homes/{takeHomeId}',
    summary: 'Gives somebody a sentence to take home, under an id made by the caller.',
    action: 'give-take-home',
    params: z.strictObject({ personId: id, takeHomeId: id }),
    query: none,
    body: takeHomeInput,
    answer: takeHome,
    problems: ['id-taken', 'not-found'],
  },
} as const satisfies Record<string, Endpoint>
