import { createRouter, createWebHistory } from 'vue-router'

/** Each view loads with what it alone needs. */
export const router = createRouter({
  history: createWebHistory(),
  routes: [
    { path: '/', redirect: '/devices' },
    { path: '/devices', component: () => import('./views/DevicesView.vue') },
    { path: '/library', component: () => import('./views/LibraryView.vue') },
    {
      path: '/profile/:id',
      component: () => import('./views/ProfileView.vue'),
      props: true,
      redirect: (to) => `${to.path}/buttons`,
      children: [
        { path: 'buttons', component: () => import('./views/ButtonsView.vue') },
        { path: 'motion', component: () => import('./views/MotionView.vue') },
        { path: 'light', component: () => import('./views/LightView.vue') },
      ],
    },
    { path: '/:rest(.*)', redirect: '/devices' },
  ],
})
