import { createRouter, createWebHistory, type Router } from 'vue-router'

/** Addresses and their views; each loads with what it alone needs. */
export function createAppRouter(): Router {
  return createRouter({
    history: createWebHistory(),
    routes: [
      { path: '/', redirect: '/devices' },
      { path: '/devices', component: () => import('../devices/DevicesView.vue') },
      { path: '/library', component: () => import('../library/LibraryView.vue') },
      { path: '/measure', component: () => import('../measure/MeasureView.vue') },
      { path: '/macros', component: () => import('../macros/MacrosView.vue') },
      { path: '/settings', component: () => import('./SettingsView.vue') },
      {
        path: '/macros/:id',
        component: () => import('../macros/MacroView.vue'),
        props: true,
      },
      {
        path: '/profile/:id',
        component: () => import('../profile/ProfileView.vue'),
        props: true,
        redirect: (to) => `${to.path}/buttons`,
        children: [
          { path: 'buttons', component: () => import('../buttons/ButtonsView.vue') },
          { path: 'motion', component: () => import('../motion/MotionView.vue') },
          { path: 'light', component: () => import('../light/LightView.vue') },
          { path: 'cheat-sheet', component: () => import('../profile/CheatSheetView.vue') },
        ],
      },
      { path: '/:rest(.*)', redirect: '/devices' },
    ],
  })
}
