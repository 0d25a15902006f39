import { createGlobalState } from '@vueuse/core'
import { usePreferences } from '../stores/preferences'
import { createRouter, createWebHistory, type Router, type RouteRecordRaw } from 'vue-router'
import { useOwnSetting } from '../../look/own-storage'

const useLastView = createGlobalState(() => useOwnSetting('unisera-last-view', ''))

/** Where the application opens: on the devices, or where its person was last. */
function firstView(): string {
  const last = useLastView().value
  return usePreferences().now.start === 'last' && last.startsWith('/') ? last : '/devices'
}

/** Addresses and their views; each loads with what it alone needs. */
const ROUTES: RouteRecordRaw[] = [
  { path: '/', redirect: firstView },
  { path: '/devices', meta: { title: 'Devices' }, component: () => import('../devices/DevicesView.vue') },
  {
    path: '/devices/slots',
    meta: { title: 'All slots' },
    component: () => import('../devices/BoardView.vue'),
  },
  {
    path: '/devices/rules',
    meta: { title: 'App rules' },
    component: () => import('../devices/RulesView.vue'),
  },
  { path: '/library', meta: { title: 'Library' }, component: () => import('../library/LibraryView.vue') },
  {
    path: '/open',
    meta: { title: 'A shared profile' },
    component: () => import('../library/SharedView.vue'),
  },
  { path: '/shelf', meta: { title: 'Shelf' }, component: () => import('../library/ShelfView.vue') },
  { path: '/measure', meta: { title: 'Measure' }, component: () => import('../measure/MeasureView.vue') },
  { path: '/macros', meta: { title: 'Macros' }, component: () => import('../macros/MacrosView.vue') },
  { path: '/settings', meta: { title: 'Settings' }, component: () => import('../settings/SettingsView.vue') },
  {
    path: '/macros/:id',
    meta: { title: 'Macro' },
    component: () => import('../macros/MacroView.vue'),
    props: true,
  },
  {
    path: '/profile/:id',
    component: () => import('../profile/ProfileView.vue'),
    props: true,
    redirect: (to) => `${to.path}/buttons`,
    children: [
      {
        path: 'buttons',
        meta: { title: 'Buttons' },
        component: () => import('../buttons/ButtonsView.vue'),
      },
      { path: 'motion', meta: { title: 'Motion' }, component: () => import('../motion/MotionView.vue') },
      { path: 'light', meta: { title: 'Light' }, component: () => import('../light/LightView.vue') },
      {
        path: 'compare',
        meta: { title: 'Compare' },
        component: () => import('../compare/CompareView.vue'),
      },
      {
        path: 'cheat-sheet',
        meta: { title: 'Cheat sheet' },
        component: () => import('../profile/CheatSheetView.vue'),
      },
    ],
  },
  { path: '/:rest(.*)', meta: { title: 'Not there' }, component: () => import('./NotThere.vue') },
]

export function createAppRouter(): Router {
  const router = createRouter({ history: createWebHistory(), routes: ROUTES })
  router.afterEach(({ fullPath }) => (useLastView().value = fullPath))
  return router
}
