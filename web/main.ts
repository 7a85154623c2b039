import '@fontsource-variable/atkinson-hyperlegible-mono'
import '@fontsource-variable/atkinson-hyperlegible-next'
import 'ant-design-vue/dist/reset.css'
import './kit/theme/base.css'
import { PiniaColada } from '@pinia/colada'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { deviceDatabase } from './data/device/deviceDatabase.ts'
import { askTodayAhead } from './data/queries/todayAhead.ts'
import { i18n } from './words/index.ts'

// Where the check before us found the browser too old, its words stand on the page.
if (!document.documentElement.hasAttribute('data-too-old')) {
  askTodayAhead()
  // It opens while the page is put together: who was here last, what they saw and what they began lies in it.
  void deviceDatabase()
  createApp(App).use(createPinia()).use(PiniaColada).use(router).use(i18n).mount('#app')
}
