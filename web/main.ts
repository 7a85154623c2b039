import '@fontsource-variable/atkinson-hyperlegible-mono'
import '@fontsource-variable/atkinson-hyperlegible-next'
import 'ant-design-vue/dist/reset.css'
import './theme/base.css'
import { createPinia } from 'pinia'
import { createApp } from 'vue'
import App from './App.vue'
import { router } from './router.ts'
import { i18n } from './words/index.ts'

createApp(App).use(createPinia()).use(router).use(i18n).mount('#app')
