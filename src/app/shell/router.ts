import { createGlobalState } from '@vueuse/core'
import { usePreferences } from '../stores/preferences'
import { createRouter, createWebHistory, type Router, type RouteRecordRaw } from 'vue-router'
import type { MessageKey } from '../../messages/message'
import { COMMON_AREAS } from '../../messages/areas'
import { withMessages } from '../../messages/page'
import { useOwnSetting } from '../../look/own-storage'

const useLastView = createGlobalState(() => useOwnSetting('unisera-last-view', ''))

/** The initial view: Devices, or the last one. */
function firstView(): string {
  const last = useLastView().value
  return usePreferences().now.start === 'last' && last.startsWith('/') ? last : '/devices'
}

declare module 'vue-router' {
  interface RouteMeta {
    /** The name of the view, in the title of the page. */
    title?: MessageKey
  }
}

/** Loads a view with its messages, and those that all views but the first need. */
const viewWithMessages = <View>(areas: readonly string[], load: () => Promise<View>) =>
  withMessages([...COMMON_AREAS, ...areas], load)

/** Addresses and their views, each loaded separately. */
const ROUTES: RouteRecordRaw[] = [
  { path: '/', redirect: firstView },
  {
    path: '/devices',
    meta: {
      title: 'shell.devices',
    },
    component: () => import('../devices/DevicesView.vue'),
  },
  {
    path: '/devices/slots',
    meta: {
      title: 'shell.allSlots',
    },
    component: viewWithMessages([], () => import('../devices/BoardView.vue')),
  },
  {
    path: '/devices/rules',
    meta: {
      title: 'shell.appRules',
    },
    component: viewWithMessages([], () => import('../devices/RulesView.vue')),
  },
  {
    path: '/library',
    meta: {
      title: 'shell.library',
    },
    component: viewWithMessages(['library'], () => import('../library/LibraryView.vue')),
  },
  {
    path: '/open',
    meta: {
      title: 'shell.sharedProfile',
    },
    component: viewWithMessages(['library'], () => import('../library/SharedView.vue')),
  },
  {
    path: '/shelf',
    meta: {
      title: 'shell.shelf',
    },
    component: viewWithMessages(['library'], () => import('../library/ShelfView.vue')),
  },
  {
    path: '/measure',
    meta: {
      title: 'shell.measure',
    },
    component: viewWithMessages(['measure'], () => import('../measure/MeasureView.vue')),
  },
  {
    path: '/macros',
    meta: {
      title: 'shell.macros',
    },
    component: viewWithMessages(['macros'], () => import('../macros/MacrosView.vue')),
  },
  {
    path: '/settings',
    meta: {
      title: 'shell.settings',
    },
    component: viewWithMessages(['settings', 'library'], () => import('../settings/SettingsView.vue')),
  },
  {
    path: '/macros/:id',
    meta: {
      title: 'shell.macro',
    },
    component: viewWithMessages(['macros'], () => import('../macros/MacroView.vue')),
    props: true,
  },
  {
    path: '/profile/:id',
    component: viewWithMessages(['profile'], () => import('../profile/ProfileView.vue')),
    props: true,
    redirect: (to) => `${to.path}/buttons`,
    children: [
      {
        path: 'buttons',
        meta: {
          title: 'shell.buttons',
        },
        component: viewWithMessages(['buttons'], () => import('../buttons/ButtonsView.vue')),
      },
      {
        path: 'motion',
        meta: {
          title: 'shell.motion',
        },
        component: viewWithMessages(['motion'], () => import('../motion/MotionView.vue')),
      },
      {
        path: 'light',
        meta: {
          title: 'shell.light',
        },
        component: viewWithMessages(['light'], () => import('../light/LightView.vue')),
      },
      {
        path: 'compare',
        meta: {
          title: 'shell.compare',
        },
        component: viewWithMessages(['compare'], () => import('../compare/CompareView.vue')),
      },
      {
        path: 'cheat-sheet',
        meta: {
          title: 'shell.cheatSheet',
        },
        component: viewWithMessages(['profile'], () => import('../profile/CheatSheetView.vue')),
      },
    ],
  },
  {
    path: '/:rest(.*)',
    meta: {
      title: 'shell.pageNotFound',
    },
    component: () => import('./NotFound.vue'),
  },
]

export function createAppRouter(): Router {
  const router = createRouter({ history: createWebHistory(), routes: ROUTES })
  router.afterEach(({ fullPath }) => (useLastView().value = fullPath))
  return router
}
