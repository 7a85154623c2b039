import { shotListQuery } from '@calm-apron/contract'
import { watchDebounced } from '@vueuse/core'
import { computed, onScopeDispose, reactive, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import type { ShotsWanted } from '../../../data/device/keptShots.ts'

/** What is looked for, as the fields hold it; an empty string is no condition. */
export interface ShotSearch {
  text: string
  personId: string
  recipeId: string
  coffeeId: string
  bagId: string
  grinderId: string
  purpose: string
  /** A reading and how it stood, `dose off`. */
  stood: string
  cause: string
  from: string
  until: string
}

export const NO_SEARCH: ShotSearch = {
  text: '',
  personId: '',
  recipeId: '',
  coffeeId: '',
  bagId: '',
  grinderId: '',
  purpose: '',
  stood: '',
  cause: '',
  from: '',
  until: '',
}

/** Long enough for the next letter of a word. */
const TYPING_MS = 300

/** What is looked for stands in the address, so that going back and a link find it again. */
export function useShotSearch() {
  const route = useRoute()
  const router = useRouter()
  const search = reactive<ShotSearch>({ ...NO_SEARCH })

  /** As the address says; one that is no search is none. */
  const wanted = computed<ShotsWanted>(() => {
    const read = shotListQuery.safeParse({ ...route.query })
    if (!read.success) return {}
    const { limit: _limit, cursor: _cursor, ...conditions } = read.data
    return conditions
  })
  /** What was last written into the address from here: it says nothing that the fields don't, who may be further by now. */
  let written = ''
  watch(
    wanted,
    (is) => {
      if (textOf(route.query) !== written) Object.assign(search, NO_SEARCH, fieldsOf(is))
    },
    { immediate: true },
  )
  /** Whoever has left is not followed to where they are by what they typed last. */
  let isHere = true
  onScopeDispose(() => (isHere = false))
  watchDebounced(
    () => ({ ...search }),
    (fields) => {
      const query = queryOf(fields)
      if (!isHere || textOf(query) === textOf(route.query)) return
      written = textOf(query)
      void router.replace({ query })
    },
    { debounce: TYPING_MS },
  )
  const isSearched = computed(() => Object.keys(wanted.value).length > 0)
  return { search, wanted, isSearched, clear: () => Object.assign(search, NO_SEARCH) }
}

/** In whatever order it stands there. */
const textOf = (query: object) => JSON.stringify(Object.entries(query).sort(([a], [b]) => a.localeCompare(b)))

function fieldsOf({ reading, standing, ...rest }: ShotsWanted): Partial<ShotSearch> {
  const given = Object.fromEntries(Object.entries(rest).filter(([name]) => name in NO_SEARCH))
  return { ...given, ...(reading !== undefined && { stood: `${reading} ${standing ?? ''}` }) }
}

/** As the address holds it: of a bag its coffee follows. */
export function queryOf({ stood, ...rest }: ShotSearch): Record<string, string> {
  const [reading = '', standing = ''] = stood.split(' ')
  const all = { ...rest, reading, standing, text: rest.text.trim() }
  return Object.fromEntries(Object.entries(all).filter(([, value]) => value !== ''))
}
