import type { Action } from '@calm-apron/contract'
import { createRouter, createWebHistory } from 'vue-router'

declare module 'vue-router' {
  interface RouteMeta {
    /** Under which word of `place` the page's title stands. */
    place: string
    /** Whether anyone may be here, signed in or not. */
    isOpen?: boolean
    /** Whether it can be shown without knowing the academy's people, recipes and bars. */
    needsNothing?: boolean
    /** The action one must be allowed to anyone's things, to be here. */
    action?: Action
  }
}

/** Every place, loaded when it is first gone to. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'today', meta: { place: 'today' }, component: () => import('./today/TodayPage.vue') },
    { path: '/bar', name: 'bar', meta: { place: 'bar' }, component: () => import('./bar/BarStartPage.vue') },
    {
      path: '/bar/:shotId',
      name: 'shot',
      meta: { place: 'bar' },
      component: () => import('./bar/BarPage.vue'),
      props: true,
    },
    {
      path: '/shots/:shotId',
      name: 'reading',
      meta: { place: 'reading' },
      component: () => import('./reading/ReadingPage.vue'),
      props: true,
    },
    {
      path: '/shots/:shotId/correct',
      name: 'correct',
      meta: { place: 'correct' },
      component: () => import('./reading/CorrectPage.vue'),
      props: true,
    },
    {
      path: '/progress/:personId?',
      name: 'progress',
      meta: { place: 'progress' },
      component: () => import('./progress/ProgressPage.vue'),
      props: true,
    },
    {
      path: '/waiting',
      name: 'waiting',
      meta: { place: 'waiting' },
      component: () => import('./waiting/WaitingPage.vue'),
    },
    {
      path: '/switch',
      name: 'switch',
      meta: { place: 'switch', needsNothing: true },
      component: () => import('./doors/SwitchPage.vue'),
    },
    {
      path: '/set-up',
      name: 'set-up',
      meta: { place: 'set-up', isOpen: true },
      component: () => import('./doors/SetUpPage.vue'),
    },
    {
      path: '/join',
      name: 'join',
      meta: { place: 'join', isOpen: true },
      component: () => import('./doors/JoinPage.vue'),
    },
    {
      path: '/settings',
      component: () => import('./settings/SettingsFrame.vue'),
      children: [
        {
          path: '',
          name: 'settings',
          meta: { place: 'settings' },
          component: () => import('./settings/SettingsPage.vue'),
        },
        {
          path: 'you',
          name: 'you',
          meta: { place: 'you', needsNothing: true },
          component: () => import('./settings/YouPage.vue'),
        },
        {
          path: 'people',
          name: 'people',
          meta: { place: 'people', action: 'see-people' },
          component: () => import('./people/PeoplePage.vue'),
        },
        {
          path: 'people/:personId',
          name: 'person',
          meta: { place: 'people', action: 'change-people' },
          component: () => import('./people/PersonPage.vue'),
          props: true,
        },
        {
          path: 'academy',
          name: 'academy',
          meta: { place: 'academy', action: 'change-academy' },
          component: () => import('./settings/AcademyPage.vue'),
        },
        {
          path: 'trail',
          name: 'audit',
          meta: { place: 'audit', action: 'see-audit' },
          component: () => import('./audit/AuditPage.vue'),
        },
        {
          path: 'set-aside',
          name: 'set-aside',
          meta: { place: 'set-aside', action: 'decide-set-aside' },
          component: () => import('./settings/SetAsidePage.vue'),
        },
      ],
    },
    {
      path: '/:rest(.*)*',
      name: 'nowhere',
      meta: { place: 'today' },
      component: () => import('./parts/NowherePage.vue'),
    },
  ],
})
