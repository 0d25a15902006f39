import { createRouter, createWebHistory, type Router } from 'vue-router'

/** Addresses and their views; each loads with what it alone needs. */
export function createAppRouter(): Router {
  return createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', redirect: '/devices' },
      { path: '/devices', component: () => import('./views/DevicesView.vue') },
      { path: '/library', component: () => import('./views/LibraryView.vue') },
      { path: '/measure', component: () => import('./views/MeasureView.vue') },
      { path: '/macros', component: () => import('./views/MacrosView.vue') },
      { path: '/settings', component: () => import('./views/SettingsView.vue') },
      {
        path: '/macros/:id',
        component: () => import('./views/MacroView.vue'),
        props: true,
      },
      {
        path: '/profile/:id',
        component: () => import('./views/ProfileView.vue'),
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
