import type { RouteRecordRaw } from 'vue-router'
import './routeMeta.ts'
import { fetched } from './data/files/appFiles.ts'
import { withWords } from './words/index.ts'

/** What is prepared, each part at a place of its own within one frame. */
export const prepareRoute: RouteRecordRaw = {
  path: '/prepare',
  component: fetched(withWords('prepare', () => import('./places/prepare/PrepareFrame.vue'))),
  children: [
    { path: '', name: 'prepare', redirect: { name: 'recipes' } },
    {
      path: 'recipes',
      name: 'recipes',
      meta: { place: 'recipes', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/recipes/RecipesPage.vue')),
    },
    {
      path: 'recipes/new',
      name: 'new-recipe',
      meta: { place: 'new-recipe', action: 'prepare' },
      component: fetched(() => import('./places/prepare/recipes/NewRecipePage.vue')),
    },
    {
      path: 'recipes/compare',
      name: 'compare-recipes',
      meta: { place: 'compare', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/recipes/ComparePage.vue')),
      props: ({ query }) => ({ a: String(query['a'] ?? ''), b: String(query['b'] ?? '') }),
    },
    {
      path: 'recipes/:preparedId',
      name: 'recipe',
      meta: { place: 'recipe', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/recipes/RecipePage.vue')),
      props: true,
    },
    {
      path: 'coffees',
      name: 'coffees',
      meta: { place: 'coffees', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/coffees/CoffeesPage.vue')),
    },
    {
      path: 'coffees/new',
      name: 'new-coffee',
      meta: { place: 'new-coffee', action: 'prepare' },
      component: fetched(() => import('./places/prepare/coffees/NewCoffeePage.vue')),
    },
    {
      path: 'coffees/:preparedId',
      name: 'coffee',
      meta: { place: 'coffee', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/coffees/CoffeePage.vue')),
      props: true,
    },
    {
      path: 'bar',
      name: 'rooms',
      meta: { place: 'rooms', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/room/RoomsPage.vue')),
    },
    {
      path: 'bar/:preparedId',
      name: 'room',
      meta: { place: 'room', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/room/RoomPage.vue')),
      props: true,
    },
    {
      path: 'grinders/:preparedId',
      name: 'grinder',
      meta: { place: 'grinder', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/room/GrinderPage.vue')),
      props: true,
    },
    {
      path: 'programmes',
      name: 'programmes',
      meta: { place: 'programmes', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/programmes/ProgrammesPage.vue')),
    },
    {
      path: 'programmes/:preparedId',
      name: 'programme',
      meta: { place: 'programme', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/programmes/ProgrammePage.vue')),
      props: true,
    },
    {
      path: 'routines',
      name: 'routines',
      meta: { place: 'routines', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/routines/RoutinesPage.vue')),
    },
    {
      path: 'routines/:preparedId',
      name: 'routine',
      meta: { place: 'routine', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/routines/RoutinePage.vue')),
      props: true,
    },
    {
      path: 'words',
      name: 'words',
      meta: { place: 'words', action: 'see-prepared' },
      component: fetched(() => import('./places/glossary/GlossaryPage.vue')),
    },
    {
      path: 'cautions',
      name: 'cautions',
      meta: { place: 'cautions', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/words/CautionsPage.vue')),
    },
    {
      path: 'files',
      name: 'files',
      meta: { place: 'files', action: 'see-prepared' },
      component: fetched(() => import('./places/prepare/files/FilesPage.vue')),
    },
  ],
}
