import { ENDPOINTS, type Today } from '@calm-apron/contract'
import { Router } from 'express'
import { findAcademy } from '../academies/queries.ts'
import { inTheAcademy } from '../database/inAcademy.ts'
import type { Database } from '../database/pool.ts'
import { serve } from '../http/serve.ts'
import { listBars, listCoffees, listPeople, listRecipes } from './queries.ts'

export function todayRoutes(database: Database): Router {
  const router = Router()
  serve(router, ENDPOINTS.today, async () => ({ answer: await readToday(database) }))
  return router
}

async function readToday(database: Database): Promise<Today> {
  return inTheAcademy(database, async (transaction) => ({
    academy: await findAcademy(transaction),
    people: await listPeople(transaction),
    recipes: await listRecipes(transaction),
    coffees: await listCoffees(transaction),
    bars: await listBars(transaction),
  }))
}
