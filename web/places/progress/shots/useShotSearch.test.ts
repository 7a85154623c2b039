import { useRouter } from 'vue-router'
import { inSetup } from '../../../testing/inSetup.ts'
import { useShotSearch } from './useShotSearch.ts'

/** At an address with what is looked for in it; the path itself says nothing. */
async function searching(query: string) {
  const { result, end } = await inSetup(() => ({ ...useShotSearch(), router: useRouter() }))
  await result.router.push(`/shot/1${query}`)
  return { ...result, end }
}
type Searching = Awaited<ReturnType<typeof searching>>

/** Resolves once the address holds that. */
async function addressed({ router }: Searching, query: object): Promise<void> {
  while (JSON.stringify(router.currentRoute.value.query) !== JSON.stringify(query))
    await new Promise((next) => setTimeout(next, 5))
}

test('what is looked for is read from the address; one that is no search is none', async () => {
  const { search, wanted, isSearched, end } = await searching('?reading=dose&standing=off&text=spilt')
  expect([search.stood, search.text, isSearched.value]).toEqual(['dose off', 'spilt', true])
  expect(wanted.value).toEqual({ reading: 'dose', standing: 'off', text: 'spilt' })
  end()
  const other = await searching('?reading=dose&from=yesterday')
  expect([other.wanted.value, other.isSearched.value]).toEqual([{}, false])
  other.end()
})

test('a space at the end of a word stays while the next is thought of; going back brings back what was looked for', async () => {
  const searched = await searching('')
  const { search, router, end } = searched
  search.text = 'spilt '
  await addressed(searched, { text: 'spilt' })
  expect(search.text).toBe('spilt ')
  search.text += 'milk'
  await addressed(searched, { text: 'spilt milk' })
  await router.push('/shot/1?text=cold')
  expect(search.text).toBe('cold')
  end()
})
