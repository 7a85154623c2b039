import {
  type AnyPrepared,
  type Prepared,
  type PreparedKind,
  type PreparedRecord,
  type Today,
  type TodayBar,
  type TodayCoffee,
  reachOf,
  asItsKind,
  teaches,
} from '@calm-apron/contract'
import { gramsLeft } from '@calm-apron/core'
import { findAcademy } from '../academies/queries.ts'
import type { AcademyTransaction } from '../database/pool.ts'
import { together } from '../database/together.ts'
import type { Errand } from '../http/serve.ts'
import { preparedInUse } from '../prepare/queries.ts'
import { type CoffeeUsed, coffeeUsed } from '../prepare/useQueries.ts'
import { seatedWith } from '../training/queries.ts'
import { awaitingSince, lastLeads, lastYields, listPeople, recipesReplacedSince } from './queries.ts'

const SHOWN: readonly PreparedKind[] = [
  'recipe',
  'coffee',
  'bag',
  'bar',
  'machine',
  'grinder',
  'basket',
  'vessel',
  'water',
  'routine',
  'caution',
]
/** So long a half-entered shot may lie about on a device. */
const EARLIER_DAYS = 14
const MS_PER_DAY = 86_400_000

/** A trainee hears of themselves, of those who teach, and of those with whom they sit in a training; of others not even the names. */
export async function readToday({ actor, transaction, now }: Errand): Promise<Today> {
  const isForAll = reachOf(actor.part, 'see-academy') === 'all'
  const daysAgo = (days: number) => new Date(now.getTime() - days * MS_PER_DAY)
  // The longest first: what is told of it is put together while the others are looked for.
  const [inUse, people, peers, earlierRecipes, academy, awaiting, leads, yields] = await together([
    coffeesInUse(transaction, now),
    listPeople(transaction),
    isForAll ? Promise.resolve(new Set<string>()) : seatedWith(transaction, actor.personId),
    recipesReplacedSince(transaction, daysAgo(EARLIER_DAYS)),
    findAcademy(transaction),
    awaitingSince(transaction, daysAgo(1)),
    lastLeads(transaction),
    lastYields(transaction),
  ])
  const { late, things, unreadable } = inUse
  const isTold = ({ personId, role }: Today['people'][number]) =>
    isForAll || teaches(role) || personId === actor.personId || peers.has(personId)
  return {
    academy,
    people: people.filter(isTold),
    recipes: ofKind(things, 'recipe').map(({ preparedId, revisionId, revisionNo, content }) => ({
      recipeRevisionId: revisionId,
      recipeId: preparedId,
      revisionNo,
      ...content,
    })),
    earlierRecipes,
    coffees: coffeesOf(things, late),
    bars: barsOf(things),
    routines: ofKind(things, 'routine').map((each) => ({ routineId: each.preparedId, ...each.content })),
    cautions: ofKind(things, 'caution').map((each) => ({ cautionId: each.preparedId, ...each.content })),
    awaiting: awaiting.filter(
      ({ personId }) => reachOf(actor.part, 'see-shots') === 'all' || personId === actor.personId,
    ),
    leads,
    yields,
    unreadable,
  }
}

/** What is prepared and about, and what of late was ground of it. */
async function coffeesInUse(transaction: AcademyTransaction, now: Date) {
  const late = await coffeeUsed(transaction, now)
  const usedIds = late.pace.map(({ coffeeId }) => coffeeId)
  return { late, ...sorted(await preparedInUse(transaction, SHOWN, usedIds)) }
}

/** Each read once; one that can't be read must not keep all the others from everybody. */
function sorted(records: readonly PreparedRecord[]) {
  const things: AnyPrepared[] = []
  const unreadable: Today['unreadable'] = []
  for (const record of records) {
    const read = asItsKind(record)
    if (read !== null) things.push(read)
    else unreadable.push({ preparedId: record.preparedId, name: String(record.content['name']) })
  }
  return { things, unreadable }
}

function ofKind<K extends PreparedKind>(things: readonly AnyPrepared[], kind: K): Prepared<K>[] {
  return things.filter((each): each is AnyPrepared & Prepared<K> => each.kind === kind)
}

function coffeesOf(things: readonly AnyPrepared[], late: CoffeeUsed): TodayCoffee[] {
  const used = new Map(late.bags.map(({ bagId, groundG }) => [bagId, groundG]))
  const pace = new Map(late.pace.map(({ coffeeId, gramsPerDay }) => [coffeeId, gramsPerDay]))
  const bags = ofKind(things, 'bag')
  return ofKind(things, 'coffee').map(({ preparedId: coffeeId, content }) => ({
    coffeeId,
    ...content,
    gramsPerDay: pace.get(coffeeId) ?? 0,
    bags: bags
      .filter(({ parentId }) => parentId === coffeeId)
      .map(({ preparedId: bagId, content: bag }) => ({
        bagId,
        ...bag,
        leftG: gramsLeft(bag.weighed?.leftG ?? bag.bagG, used.get(bagId) ?? 0),
      }))
      .sort((a, b) => (b.roastedOn ?? '').localeCompare(a.roastedOn ?? '')),
  }))
}

function barsOf(things: readonly AnyPrepared[]): TodayBar[] {
  const inBar = <K extends PreparedKind>(kind: K, barId: string) =>
    ofKind(things, kind).filter(({ parentId }) => parentId === barId)
  return ofKind(things, 'bar').map(({ preparedId: barId, content }) => ({
    barId,
    ...content,
    machines: inBar('machine', barId).map((each) => ({ machineId: each.preparedId, ...each.content })),
    grinders: inBar('grinder', barId).map((each) => ({ grinderId: each.preparedId, ...each.content })),
    baskets: inBar('basket', barId).map((each) => ({ basketId: each.preparedId, ...each.content })),
    vessels: inBar('vessel', barId).map((each) => ({ id: each.preparedId, ...each.content })),
    waters: inBar('water', barId).map((each) => ({ waterId: each.preparedId, ...each.content })),
  }))
}
