import type { App, Component } from 'vue'
import { createRouter, createWebHistory, type Router } from 'vue-router'

/** Addresses and their views; each loads with what it alone needs. */
export function createAppRouter(app: App): Router {
  /** A view with menus, dialogs or sliders in it. */
  const withComponents = (view: () => Promise<{ default: Component }>) => async () => {
    const [{ installComponentLibrary }, loaded] = await Promise.all([import('./component-library'), view()])
    installComponentLibrary(app)
    return loaded
  }
  return createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', redirect: '/devices' },
      { path: '/devices', component: () => import('./views/DevicesView.vue') },
      { path: '/library', component: withComponents(() => import('./views/LibraryView.vue')) },
      { path: '/measure', component: () => import('./views/MeasureView.vue') },
      { path: '/macros', component: withComponents(() => import('./views/MacrosView.vue')) },
      { path: '/settings', component: withComponents(() => import('./views/SettingsView.vue')) },
      {
        path: '/macros/:id',
        component: () => import('./views/MacroView.vue'),
        props: true,
      },
      {
        path: '/profile/:id',
        component: withComponents(() => import('./views/ProfileView.vue')),
        props: true,
        redirect: (to) => `${to.path}/buttons`,
        children: [
          { path: 'buttons', component: () => import('./views/ButtonsView.vue') },
          { path: 'motion', component: () => import('./views/MotionView.vue') },
          { path: 'light', component: () => import('./views/LightView.vue') },
          { path: 'cheat-sheet', component: () => import('./views/CheatSheetView.vue') },
        ],
      },
      { path: '/:rest(.*)', redirect: '/devices' },
    ],
  })
}
