import { createApp, h } from 'vue'
import { RouterView, createRouter, createWebHistory } from 'vue-router'

// The least that a page of the same Vue and router can be: one place, with the control that the measurement waits for.
const place = {
  render: () => h('label', [h('input', { type: 'radio', name: 'who' }), 'Mirren Kestle']),
}
const router = createRouter({ history: createWebHistory(), routes: [{ path: '/bar', component: place }] })
createApp({ render: () => h(RouterView) })
  .use(router)
  .mount('#app')
if ('serviceWorker' in navigator) void navigator.serviceWorker.register('/sw.js')
