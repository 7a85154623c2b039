import type { Bar, Coffee, RecipeRevision, TodayPerson } from '@calm-apron/contract'
import { asc, desc, eq } from 'drizzle-orm'
import type { AcademyTransaction } from '../database/pool.ts'
import {
  bag,
  bar,
  coffee,
  grinder,
  person,
  personName,
  recipeRevision,
  vessel,
} from '../database/schema/index.ts'
import { toRecipeRevision } from '../recipes/recipeRow.ts'

/** People of the academy by name; those whose account has ended too, because records name them. */
export async function listPeople(transaction: AcademyTransaction): Promise<TodayPerson[]> {
  const rows = await transaction
    .select({
      personId: person.personId,
      displayName: personName.displayName,
      role: person.role,
      endedAt: person.endedAt,
    })
    .from(person)
    .innerJoin(personName, eq(personName.personId, person.personId))
    .orderBy(asc(personName.displayName), asc(person.personId))
  return rows.map(({ endedAt, ...rest }) => ({ ...rest, isActive: endedAt === null }))
}

/** Each recipe in its newest revision, by name. */
export async function listRecipes(transaction: AcademyTransaction): Promise<RecipeRevision[]> {
  const rows = await transaction
    .selectDistinctOn([recipeRevision.recipeId])
    .from(recipeRevision)
    .orderBy(asc(recipeRevision.recipeId), desc(recipeRevision.revisionNo))
  return rows.map(toRecipeRevision).sort((a, b) => a.name.localeCompare(b.name))
}

/** Coffees by name, each with its bags, newest roast first. */
export async function listCoffees(transaction: AcademyTransaction): Promise<Coffee[]> {
  const coffees = await transaction.select().from(coffee).orderBy(asc(coffee.name))
  const bags = await transaction.select().from(bag).orderBy(desc(bag.roastedOn))
  return coffees.map(({ coffeeId, name, roaster, restDays, bestUntilDays, usableUntilDays }) => ({
    coffeeId,
    name,
    roaster,
    freshness: { restDays, bestUntilDays, usableUntilDays },
    bags: bags
      .filter((each) => each.coffeeId === coffeeId)
      .map(({ bagId, roastedOn }) => ({ bagId, roastedOn })),
  }))
}

/** Bars by name, each with its grinders and vessels. */
export async function listBars(transaction: AcademyTransaction): Promise<Bar[]> {
  const bars = await transaction.select().from(bar).orderBy(asc(bar.name))
  const grinders = await transaction.select().from(grinder).orderBy(asc(grinder.name))
  const vessels = await transaction.select().from(vessel).orderBy(asc(vessel.name))
  return bars.map(({ barId, name, machineName }) => ({
    barId,
    name,
    machineName,
    grinders: grinders
      .filter((each) => each.barId === barId)
      .map(({ academyId: _academyId, barId: _barId, ...rest }) => rest),
    vessels: vessels
      .filter((each) => each.barId === barId)
      .map(({ vesselId, name: vesselName, kind, emptyG }) => ({
        id: vesselId,
        name: vesselName,
        kind,
        emptyG,
      })),
  }))
}
