import '@fontsource-variable/atkinson-hyperlegible-mono'
import '@fontsource-variable/atkinson-hyperlegible-next'
import 'ant-design-vue/dist/reset.css'
import './kit/theme/base.css'
import { PiniaColada } from '@pinia/colada'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { askTodayAhead } from './data/queries/todayAhead.ts'
import { i18n } from './words/index.ts'

// Where the check before us found the browser too old, its words stand on the page.
if (!document.documentElement.hasAttribute('data-too-old')) {
  askTodayAhead()
  createApp(App).use(createPinia()).use(PiniaColada).use(router).use(i18n).mount('#app')
}
