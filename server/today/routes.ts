import { ENDPOINTS, type Today, reachOf } from '@calm-apron/contract'
import { Router } from 'express'
import { findAcademy } from '../academies/queries.ts'
import type { House } from '../house.ts'
import { type Errand, serve } from '../http/serve.ts'
import { listBars, listCoffees, listPeople, listRecipes } from './queries.ts'

export function todayRoutes(house: House): Router {
  const router = Router()
  serve(house, router, ENDPOINTS.today, async (work) => ({ answer: await readToday(work) }))
  return router
}

/** A trainee hears of themselves and of those who teach; of other trainees not even the names. */
async function readToday({ actor, transaction }: Errand): Promise<Today> {
  const people = await listPeople(transaction)
  const isTold = ({ personId, role }: Today['people'][number]) =>
    reachOf(actor.part, 'see-academy') === 'all' || role !== 'trainee' || personId === actor.personId
  return {
    academy: await findAcademy(transaction),
    people: people.filter(isTold),
    recipes: await listRecipes(transaction),
    coffees: await listCoffees(transaction),
    bars: await listBars(transaction),
  }
}
