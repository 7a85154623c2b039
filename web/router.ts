import { createRouter, createWebHistory } from 'vue-router'
import './routeMeta.ts'
import { BAR_PARTS } from './shell/barParts.ts'
import BarStartPage from './places/bar/BarStartPage.vue'
import { PartNotFetched, fetched, useAppFiles } from './data/files/appFiles.ts'
import TodayPage from './places/today/TodayPage.vue'
import { prepareRoute } from './prepareRoute.ts'
import { withWords } from './words/index.ts'

/** Every place, loaded when it is first gone to; but where a day begins is there at once. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'today', meta: { place: 'today' }, component: TodayPage },
    { path: '/bar', name: 'bar', meta: { place: 'bar' }, component: BarStartPage },
    {
      path: '/bar/:shotId',
      name: 'shot',
      meta: { place: 'bar' },
      component: BAR_PARTS.shot,
      props: true,
    },
    {
      path: '/trainings/new',
      name: 'new-training',
      meta: { place: 'new-training', action: 'lead-training' },
      component: fetched(withWords('training', () => import('./places/training/NewTrainingPage.vue'))),
    },
    {
      path: '/trainings',
      name: 'past-trainings',
      meta: { place: 'past-trainings' },
      component: fetched(withWords('pastTrainings', () => import('./places/training/PastTrainingsPage.vue'))),
    },
    {
      path: '/shots',
      name: 'shots',
      meta: { place: 'shots' },
      component: fetched(withWords('shots', () => import('./places/progress/shots/ShotBookPage.vue'))),
    },
    {
      path: '/shots/compare',
      name: 'compare-shots',
      meta: { place: 'compare-shots' },
      component: fetched(withWords('shots', () => import('./places/progress/shots/CompareShotsPage.vue'))),
    },
    {
      path: '/trainings/:trainingId',
      name: 'training',
      meta: { place: 'training' },
      component: BAR_PARTS.training,
      props: true,
    },
    {
      path: '/trainings/:trainingId/watch/:group',
      name: 'watch',
      meta: { place: 'watch' },
      component: fetched(withWords('training', () => import('./places/training/WatchPage.vue'))),
      props: true,
    },
    {
      path: '/trainings/:trainingId/dial-in',
      name: 'dial-in',
      meta: { place: 'dial-in' },
      component: BAR_PARTS.dialIn,
      props: true,
    },
    {
      path: '/shots/:shotId/tasting',
      name: 'tasting',
      meta: { place: 'tasting' },
      component: BAR_PARTS.tasting,
      props: true,
    },
    {
      path: '/shots/:shotId',
      name: 'reading',
      meta: { place: 'reading' },
      component: BAR_PARTS.reading,
      props: true,
    },
    {
      path: '/shots/:shotId/correct',
      name: 'correct',
      meta: { place: 'correct' },
      component: BAR_PARTS.correct,
      props: true,
    },
    {
      path: '/progress/:personId?',
      name: 'progress',
      meta: { place: 'progress' },
      component: fetched(withWords('progress', () => import('./places/progress/ProgressPage.vue'))),
      props: true,
    },
    {
      path: '/progress/:personId/sheet',
      name: 'talk-sheet',
      meta: { place: 'talk-sheet', action: 'give-take-home' },
      component: fetched(withWords('progress', () => import('./places/progress/TalkSheetPage.vue'))),
      props: true,
    },
    {
      path: '/assessments/:assessmentId',
      name: 'assessment',
      meta: { place: 'assessment' },
      component: fetched(withWords('signOff', () => import('./places/signOff/AssessmentPage.vue'))),
      props: true,
    },
    {
      path: '/assessments/:assessmentId/cups',
      name: 'cups',
      meta: { place: 'cups', action: 'sign' },
      component: fetched(withWords('cups', () => import('./places/signOff/CupsPage.vue'))),
      props: true,
    },
    {
      path: '/waiting',
      name: 'waiting',
      meta: { place: 'waiting' },
      component: fetched(withWords('waiting', () => import('./places/waiting/WaitingPage.vue'))),
    },
    {
      path: '/switch',
      name: 'switch',
      meta: { place: 'switch', needsNothing: true },
      component: fetched(withWords('doors', () => import('./places/doors/SwitchPage.vue'))),
    },
    {
      path: '/set-up',
      name: 'set-up',
      meta: { place: 'set-up', isOpen: true },
      component: fetched(withWords('doors', () => import('./places/doors/SetUpPage.vue'))),
    },
    {
      path: '/join',
      name: 'join',
      meta: { place: 'join', isOpen: true },
      component: fetched(withWords('doors', () => import('./places/doors/JoinPage.vue'))),
    },
    prepareRoute,
    {
      path: '/settings',
      component: fetched(withWords('settings', () => import('./places/settings/SettingsFrame.vue'))),
      children: [
        {
          path: '',
          name: 'settings',
          meta: { place: 'settings' },
          component: fetched(() => import('./places/settings/SettingsPage.vue')),
        },
        {
          path: 'devices',
          name: 'devices',
          meta: { place: 'devices', needsNothing: true },
          component: fetched(() => import('./places/settings/DevicesPage.vue')),
        },
        {
          path: 'you',
          name: 'you',
          meta: { place: 'you', needsNothing: true },
          component: fetched(() => import('./places/settings/YouPage.vue')),
        },
        {
          path: 'people',
          name: 'people',
          meta: { place: 'people', action: 'see-people' },
          component: fetched(() => import('./places/people/PeoplePage.vue')),
        },
        {
          path: 'people/:personId',
          name: 'person',
          meta: { place: 'people', action: 'change-people' },
          component: fetched(() => import('./places/people/PersonPage.vue')),
          props: true,
        },
        {
          path: 'academy',
          name: 'academy',
          meta: { place: 'academy', action: 'change-academy' },
          component: fetched(() => import('./places/settings/AcademyPage.vue')),
        },
        {
          path: 'trail',
          name: 'audit',
          meta: { place: 'audit', action: 'see-audit' },
          component: fetched(() => import('./places/audit/AuditPage.vue')),
        },
        {
          path: 'set-aside',
          name: 'set-aside',
          meta: { place: 'set-aside', action: 'decide-set-aside' },
          component: fetched(() => import('./places/settings/SetAsidePage.vue')),
        },
      ],
    },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      meta: { place: 'today' },
      component: fetched(() => import('./kit/parts/NowherePage.vue')),
    },
  ],
})

// A place whose files can't be had is not the end of anything: what was entered is kept, and it opens once they can.
router.onError((error, to) => {
  if (error instanceof PartNotFetched) useAppFiles().lack(to)
})
router.afterEach((_to, _from, failure) => {
  if (!failure) useAppFiles().lack(null)
})
