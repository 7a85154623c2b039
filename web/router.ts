import { createRouter, createWebHistory } from 'vue-router'

/** Every place, loaded when it is first gone to. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', name: 'today', component: () => import('./today/TodayPage.vue') },
    { path: '/bar', name: 'bar', component: () => import('./bar/BarStartPage.vue') },
    { path: '/bar/:shotId', name: 'shot', component: () => import('./bar/BarPage.vue'), props: true },
    {
      path: '/shots/:shotId',
      name: 'reading',
      component: () => import('./reading/ReadingPage.vue'),
      props: true,
    },
    {
      path: '/shots/:shotId/correct',
      name: 'correct',
      component: () => import('./reading/CorrectPage.vue'),
      props: true,
    },
    {
      path: '/progress/:personId?',
      name: 'progress',
      component: () => import('./progress/ProgressPage.vue'),
      props: true,
    },
    { path: '/waiting', name: 'waiting', component: () => import('./waiting/WaitingPage.vue') },
    { path: '/settings', name: 'settings', component: () => import('./settings/SettingsPage.vue') },
    { path: '/:rest(.*)*', name: 'nowhere', component: () => import('./parts/NowherePage.vue') },
  ],
})
